/** Bytes as letters that stand in a page, and back (RFC 4648, section 4). */
export function inBase64(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}
export const fromBase64 = (letters: string): Uint8Array => Uint8Array.from(atob(letters), (c) => c.charCodeAt(0));
