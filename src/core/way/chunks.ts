import type { StudentLevel } from '../ladder';
import { isPickupBar, type Score } from '../score';
import { isPlayed, type Bars, type PlaceLines } from './copies';
import type { WayPhrase } from './phrases';

/** Bars of a chunk by level: one, two, the phrase **[common practice]**. */
const BARS_OF_CHUNK: Readonly<Record<StudentLevel, number>> = { beginner: 1, intermediate: 2, advanced: Infinity };

/**
 * The chunks of a phrase, which tile what is played of it: of the size of the level; a bar that is left over belongs to
 * the chunk before it, a pick-up bar to the bar after it. Bars of rest belong to the chunk before them.
 */
export function chunksOfPhrase(
  score: Score,
  lines: PlaceLines,
  phrase: WayPhrase,
  level: StudentLevel,
): readonly Bars[] {
  const [from, to] = phrase.bars;
  const size = BARS_OF_CHUNK[level];
  const out: [number, number][] = [];
  let at = from;
  while (at <= to) {
    const pickup = at === 0 && isPickupBar(score) && to > 0 ? 1 : 0;
    const end = Math.min(to, at + size + pickup - 1);
    const last = out[out.length - 1];
    const isLeftOver = last !== undefined && (end - at + 1 < size || !isPlayed(lines, [at, end]));
    if (isLeftOver) last[1] = end;
    else out.push([at, end]);
    at = end + 1;
  }
  // Rests before the first note of a phrase are counted with it.
  const first = out.findIndex((bars) => isPlayed(lines, bars));
  const head = out[first];
  return head && first > 0 ? [[from, head[1]], ...out.slice(first + 1)] : out;
}
