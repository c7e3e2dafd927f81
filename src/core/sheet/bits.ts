/** Whole numbers as bits, one after the other, the highest bit of each first. */
export interface Bits {
  readonly put: (value: number, width: number) => void;
  readonly length: () => number;
  /** As bytes, filled up with zeros. */
  readonly bytes: () => Uint8Array;
}

const BYTE = 8;

/**
 * An empty row of bits to write into.
 *
 * @example emptyBits().length() // → 0
 */
export function emptyBits(): Bits {
  const written: number[] = [];
  return {
    put: (value, width) => {
      for (let at = width - 1; at >= 0; at -= 1) written.push(Math.floor(value / 2 ** at) % 2);
    },
    length: () => written.length,
    bytes: () => {
      const out = new Uint8Array(Math.ceil(written.length / BYTE));
      written.forEach((bit, i) => {
        if (bit) out[Math.floor(i / BYTE)] = (out[Math.floor(i / BYTE)] ?? 0) | (128 >> (i % BYTE));
      });
      return out;
    },
  };
}

/** Reads what was written; behind the end there are only zeros, and `over` says so. */
export interface BitsRead {
  readonly take: (width: number) => number;
  readonly over: () => boolean;
}

/**
 * The bits of some bytes, to be read in the widths in which they were written.
 *
 * @example bitsOf(Uint8Array.of(160)).take(3) // → 5
 */
export function bitsOf(bytes: Uint8Array): BitsRead {
  let at = 0;
  return {
    take: (width) => {
      let value = 0;
      for (let i = 0; i < width; i += 1, at += 1)
        value = value * 2 + (((bytes[Math.floor(at / BYTE)] ?? 0) >> (BYTE - 1 - (at % BYTE))) & 1);
      return value;
    },
    over: () => at > bytes.length * BYTE,
  };
}

/** Letters that a message leaves as they are: nothing that is taken for an end, a link or a style. */
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+-';
const LETTER_BITS = 6;

/**
 * Bytes as letters, six bits each.
 *
 * @example inLetters(Uint8Array.of(255, 255, 255)) // → '----'
 */
export function inLetters(bytes: Uint8Array): string {
  const bits = bitsOf(bytes);
  const count = Math.ceil((bytes.length * BYTE) / LETTER_BITS);
  return Array.from({ length: count }, () => LETTERS[bits.take(LETTER_BITS)] ?? '').join('');
}

/**
 * Letters as bytes; null where they are not what `inLetters` writes.
 *
 * @example fromLetters('----') // → new Uint8Array([255, 255, 255])
 */
export function fromLetters(letters: string): Uint8Array | null {
  const bits = emptyBits();
  for (const letter of letters) {
    const value = LETTERS.indexOf(letter);
    if (value < 0) return null;
    bits.put(value, LETTER_BITS);
  }
  const bytes = bits.bytes().slice(0, Math.floor(bits.length() / BYTE));
  return inLetters(bytes) === letters ? bytes : null;
}
