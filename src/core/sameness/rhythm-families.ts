import { countStaff, countText } from '../rhythm';
import type { Score } from '../score';
import { barLines } from './bar-content';

/** Bars of one staff that share a rhythm, whatever their pitches. */
export interface RhythmFamily {
  readonly part: string;
  readonly staff: number;
  /** `a`, `b`, … by size, over the staff. */
  readonly tag: string;
  readonly bars: readonly number[];
  /** How it is counted: `1 2 & 3 4`. */
  readonly count: string;
}

const tagOf = (n: number): string =>
  n < 26
    ? String.fromCharCode(97 + n)
    : `${String.fromCharCode(96 + Math.floor(n / 26))}${String.fromCharCode(97 + (n % 26))}`;

/**
 * Families of every staff, largest first, then by first place. Bars with nothing struck belong to none.
 *
 * @example rhythmFamilies(score)[0].bars // → [0, 1, 2, 4, 5, 6]
 */
export function rhythmFamilies(score: Score): RhythmFamily[] {
  const { all, staves } = barLines(score);
  return staves.flatMap((line) => {
    const firstNote = line.bars.flatMap((b) => b.notes)[0]?.note;
    const part = line.part ?? firstNote?.part ?? score.parts[0]?.id ?? '';
    const staff = line.staff ?? firstNote?.staff ?? 1;
    const groups = new Map<number, number[]>();
    (staves.length === 1 ? all : line).bars.forEach((bar, i) => {
      if (bar.rhythm < 0) return;
      const there = groups.get(bar.rhythm);
      if (there) there.push(i);
      else groups.set(bar.rhythm, [i]);
    });
    return [...groups.values()]
      .sort((a, b) => b.length - a.length || (a[0] ?? 0) - (b[0] ?? 0))
      .map((bars, n) => {
        const first = bars[0] ?? 0;
        return {
          part,
          staff,
          tag: tagOf(n),
          bars,
          count: countText(countStaff(score, part, staff, first, first, { voices: 'together' })[0]?.tokens ?? []),
        };
      });
  });
}
