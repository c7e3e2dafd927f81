import type { Score } from '../score';

export interface StartingPoint {
  readonly bar: number;
  readonly why: string;
}

/** Most bars between two starting points **[from memory]**: a slip should cost less than a line. */
const WIDEST_GAP = 8;

/**
 * Places to begin from, in the order of the piece: where sections and phrases begin, and in the middle of stretches
 * that are still longer than eight bars. Each bar once.
 *
 * @example startingPoints(score, [{ from: 0, name: 'Opening' }], [{ from: 4 }]).map((p) => p.bar) // → [0, 4]
 */
export function startingPoints(
  score: Score,
  sections: readonly { readonly from: number; readonly name: string }[],
  phrases: readonly { readonly from: number }[],
): StartingPoint[] {
  const points = new Map<number, string>();
  if (score.bars.length > 0) points.set(0, 'the beginning');
  for (const p of phrases) points.set(p.from, 'a phrase begins');
  for (const s of sections) points.set(s.from, `${s.name} begins`);
  const bars = [...points.keys()].sort((a, b) => a - b);
  bars.forEach((bar, i) => {
    const next = bars[i + 1] ?? score.bars.length;
    const parts = Math.ceil((next - bar) / WIDEST_GAP);
    for (let k = 1; k < parts; k += 1)
      points.set(bar + Math.round(((next - bar) * k) / parts), 'in the middle of a long stretch');
  });
  return [...points].sort(([a], [b]) => a - b).map(([bar, why]) => ({ bar, why }));
}

/**
 * The points in a drawn order: every one once, never the neighbour that follows in the piece right after where there is
 * a choice.
 *
 * @example drawnOrder([{ bar: 0 }, { bar: 4 }, { bar: 8 }], () => 0).map((p) => p.bar) // → [0, 8, 4]
 */
export function drawnOrder(points: readonly StartingPoint[], random: () => number): StartingPoint[] {
  const left = [...points];
  const out: StartingPoint[] = [];
  while (left.length > 0) {
    const last = out[out.length - 1];
    const after = last ? points[points.indexOf(last) + 1] : undefined;
    const free = left.filter((p) => p !== after);
    const among = free.length > 0 ? free : left;
    const drawn = among[Math.min(among.length - 1, Math.floor(random() * among.length))];
    if (!drawn) break;
    out.push(drawn);
    left.splice(left.indexOf(drawn), 1);
  }
  return out;
}
