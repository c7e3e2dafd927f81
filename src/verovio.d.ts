declare module 'verovio/wasm' {
  const createVerovioModule: () => Promise<unknown>;
  export default createVerovioModule;
}
declare module 'verovio/esm' {
  export class VerovioToolkit {
    constructor(module: unknown);
    setOptions(options: Record<string, unknown>): void;
    loadData(data: string): boolean;
    getPageCount(): number;
    renderToSVG(page: number, xmlDeclaration?: boolean): string;
    renderToTimemap(
      options?: Record<string, unknown>,
    ): { qstamp: number; tstamp: number; on?: string[]; off?: string[]; measureOn?: string }[];
    getElementAttr(id: string): Record<string, string>;
    getMIDIValuesForElement(id: string): { pitch: number; time: number; duration: number };
    renderToMIDI(): string;
    destroy(): void;
  }
}
