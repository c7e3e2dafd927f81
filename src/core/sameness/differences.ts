import type { Score } from '../score';
import { someBars } from './bar-content';
import { diffBars } from './bar-similarity';
import type { Difference, Repeat } from './repeat';

/**
 * The notes that differ between the two places of a repeat, bar by bar; bars that are the very same are left out. Found
 * when it is to be shown: a piece has many repeats of which few are looked at.
 *
 * @example differencesOf(score, { part: null, staff: null, a: [0, 0], b: [0, 0] }) // → []
 */
export function differencesOf(score: Score, repeat: Pick<Repeat, 'part' | 'staff' | 'a' | 'b'>): readonly Difference[] {
  const length = repeat.a[1] - repeat.a[0] + 1;
  const places = Array.from({ length }, (_, k) => [repeat.a[0] + k, repeat.b[0] + k] as const);
  const bars = someBars(score, repeat, places.flat());
  return places.flatMap(([aBar, bar], k): readonly Difference[] => {
    const a = bars[2 * k];
    const b = bars[2 * k + 1];
    if (!a || !b || a.exact === b.exact) return [];
    const { onlyA, onlyB } = diffBars(a, b);
    return [{ bar, noteIds: onlyB.map((n) => n.note.id), aBar, aNoteIds: onlyA.map((n) => n.note.id) }];
  });
}
