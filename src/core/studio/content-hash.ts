import { contentText } from './merge-rows';

const PRIME = 0x01000193;

function hashOf(text: string, seed: number): string {
  let hash = seed;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), PRIME);
  return (hash >>> 0).toString(16).padStart(8, '0');
}

/**
 * Sixteen hexadecimal digits that tell contents apart, the same on every device: FNV-1a (Fowler, Noll, Vo; public
 * domain) from two seeds. Not for anything that someone may want to forge.
 */
export function contentHash(value: unknown): string {
  const text = contentText(value);
  return hashOf(text, 0x811c9dc5) + hashOf(text, 0x9747b28c);
}
