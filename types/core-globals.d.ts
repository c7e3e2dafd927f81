/** What the core may use besides the language: there in pages, workers and Node alike. */
declare class TextDecoder {
  constructor(label?: string, options?: { readonly fatal?: boolean; readonly ignoreBOM?: boolean });
  decode(input?: ArrayBufferView | ArrayBuffer): string;
}
declare class TextEncoder {
  encode(input?: string): Uint8Array<ArrayBuffer>;
}
