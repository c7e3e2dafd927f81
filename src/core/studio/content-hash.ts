import { contentText } from './merge-rows';

const PRIME = 0x01000193;

const SEEDS = [0x811c9dc5, 0x9747b28c] as const;

function hashOf(text: string, seed: number): number {
  let hash = seed;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), PRIME);
  return hash >>> 0;
}

const asHex = (hash: number): string => hash.toString(16).padStart(8, '0');

/**
 * A whole number below 2^53 that tells texts apart almost surely, in a quarter of their room. Two different texts may
 * have the same: who counts by it looks at the texts themselves then.
 *
 * @example textMark('a') === textMark('a') // → true
 */
export const textMark = (text: string): number =>
  hashOf(text, SEEDS[0]) + (hashOf(text, SEEDS[1]) & 0x1fffff) * 2 ** 32;

/**
 * Sixteen hexadecimal digits that tell contents apart, the same on every device: FNV-1a (Fowler, Noll, Vo; public
 * domain) from two seeds. Not for anything that someone may want to forge.
 */
export function contentHash(value: unknown): string {
  const text = contentText(value);
  return asHex(hashOf(text, SEEDS[0])) + asHex(hashOf(text, SEEDS[1]));
}
