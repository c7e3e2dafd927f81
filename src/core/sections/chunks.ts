/** A chunk to practise: bars both included; `join` takes in the first note of the bar after. */
export interface Chunk {
  readonly kind: 'bar' | 'two' | 'joined' | 'phrase' | 'section';
  readonly from: number;
  readonly to: number;
  readonly join: boolean;
}

/**
 * Chunks of a section, small to large **[common practice]**: one bar plus the first note of the next, two bars, two
 * chunks joined, the phrase, the section. The last bar of the piece has no next note. A section of one bar is one
 * chunk.
 */
export function chunksOf(
  from: number,
  to: number,
  phrases: readonly { readonly from: number; readonly to: number }[],
  lastBar: number,
): Chunk[] {
  const out: Chunk[] = [];
  const seen = new Set<string>();
  const add = (kind: Chunk['kind'], a: number, b: number): void => {
    const key = `${a} ${b}`;
    if (seen.has(key)) return;
    seen.add(key);
    out.push({ kind, from: a, to: b, join: b < lastBar });
  };
  for (const phrase of phrases.length > 0 ? phrases : [{ from, to }]) {
    for (let b = phrase.from; b <= phrase.to; b += 1) add('bar', b, b);
    for (let b = phrase.from; b <= phrase.to; b += 2) add('two', b, Math.min(b + 1, phrase.to));
    for (let b = phrase.from; b + 4 <= phrase.to + 1; b += 4) add('joined', b, b + 3);
    add('phrase', phrase.from, phrase.to);
  }
  add('section', from, to);
  return out;
}
