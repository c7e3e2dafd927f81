/** Of the polynomial 0x04C11DB7, read from its lowest bit. */
const POLYNOMIAL = 0xedb88320;
const TABLE: readonly number[] = Array.from({ length: 256 }, (_, byte) => {
  let rest = byte;
  for (let bit = 0; bit < 8; bit += 1) rest = rest & 1 ? (rest >>> 1) ^ POLYNOMIAL : rest >>> 1;
  return rest >>> 0;
});

/**
 * A checksum of 32 bits (CRC-32, ISO 3309 and ITU-T V.42): it finds every change within 32 bits that follow one
 * another.
 *
 * @example checksum(new TextEncoder().encode('123456789')).toString(16) // → 'cbf43926'
 */
export function checksum(bytes: Uint8Array): number {
  let rest = 0xffffffff;
  for (const byte of bytes) rest = (rest >>> 8) ^ (TABLE[(rest ^ byte) & 0xff] ?? 0);
  return (rest ^ 0xffffffff) >>> 0;
}

/**
 * The checksum of a text in UTF-8.
 *
 * @example checksumOf('123456789') === checksumOf('123456780') // → false
 */
export const checksumOf = (text: string): number => checksum(new TextEncoder().encode(text));
