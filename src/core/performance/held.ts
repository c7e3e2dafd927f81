import type { Score } from '../score';
import type { Performance } from './perform';
import { struckByBar } from './struck';
import type { Bend } from './tempo-map';

/** Of the tempo while a fermata holds: two thirds longer **[from memory]**. */
const HELD = 0.6;

/**
 * Where fermatas hold the time of a playing: from the last note that carries one to its end. Several that end together
 * are one.
 *
 * @example fermatas(score, perform(score, { order: [0] })) // → []
 */
export function fermatas(score: Score, played: Performance): readonly Bend[] {
  const struck = struckByBar(score);
  return played.bars.flatMap(({ bar, start }) => {
    const ends = new Map<number, number>();
    for (const { note, sounding } of struck[bar.index] ?? []) {
      if (!note.marks.fermata || note.grace !== null) continue;
      const from = start + note.onset - bar.onset;
      const to = Math.min(from + sounding, played.length);
      if (to > from) ends.set(to, Math.max(ends.get(to) ?? from, from));
    }
    return [...ends].map(([to, from]): Bend => ({ from, to, share: HELD, begins: HELD }));
  });
}
