import type { BarContent } from './bar-content';
import { barSimilarity, oneNoteOther, RHYTHM_SHARE } from './bar-similarity';

/** Bars less alike than this are "other notes" inside a changed repeat, and pay for nothing as changed copies. */
export const ALIKE = 0.62;
/** What is just as alike as asked for is alike enough, however its share was rounded. */
export const ROUNDING = 1e-9;

/** A class of bars that is alike another: its `exact` number, and how alike. */
export interface AlikeClass {
  readonly exact: number;
  readonly similarity: number;
}

/**
 * A note that more classes than these hold makes none of them alike: it is a note of the piece, not of a bar. Of so
 * many classes that are alike one the likest are kept. Both chosen by us: no piece of a lesson reaches them.
 */
const MOST_HOLDING = 400;
const MOST_ALIKE = 200;

/** One bar of each class, by class number. */
function oneOfEach(bars: readonly BarContent[]): readonly BarContent[] {
  const ofClass: BarContent[] = [];
  for (const bar of bars) if (bar.exact >= 0) ofClass[bar.exact] ??= bar;
  return ofClass;
}

/** How many shared notes, doubles counted more than once, two bars must have to be alike at all. */
const leastShared = (a: BarContent, b: BarContent): number =>
  ((ALIKE - RHYTHM_SHARE) / (1 - RHYTHM_SHARE) / 2) * (a.notes.length + b.notes.length) - ROUNDING;

/** By number: how often each of many numbers comes. */
function countsOf(lists: readonly (readonly number[])[]): Int32Array {
  const counts = new Int32Array(lists.reduce((most, list) => list.reduce((m, n) => Math.max(m, n), most), -1) + 1);
  for (const list of lists) for (const number of list) counts[number] = (counts[number] ?? 0) + 1;
  return counts;
}

/**
 * For every class of bars the other classes that are alike, the likest first: nearly alike bars share notes, so that
 * only classes with a note in common are compared (and bars of one note with those of the same rhythm). By class
 * number.
 *
 * @example alikeClasses(barLines(score).all.bars)[0] // → []
 */
export function alikeClasses(bars: readonly BarContent[]): readonly (readonly AlikeClass[])[] {
  const classes = oneOfEach(bars);
  const alike: AlikeClass[][] = classes.map(() => []);
  const holding = new Map<number, number[]>();
  const single = new Map<number, number[]>();
  const shared = new Int32Array(classes.length);
  const holders = countsOf(classes.map((bar) => bar.faces));
  for (const [here, bar] of classes.entries()) {
    const met: number[] = [];
    const meet = (there: number, notes: number): void => {
      if (shared[there] === 0) met.push(there);
      shared[there] = (shared[there] ?? 0) + notes;
    };
    const telling = bar.faces.filter((face) => (holders[face] ?? 0) <= MOST_HOLDING);
    for (const face of telling) for (const there of holding.get(face) ?? []) meet(there, 1);
    // One note in another place of the staff is one note other: these have none in common.
    const alone = bar.notes.length === 1 ? (single.get(bar.rhythm) ?? []) : [];
    for (const there of alone.slice(-MOST_HOLDING)) meet(there, 1);
    for (const there of met) {
      const other = classes[there];
      // Notes that tell nothing may be shared, too.
      const notes = (shared[there] ?? 0) + bar.faces.length - telling.length;
      shared[there] = 0;
      if (!other || notes < Math.min(leastShared(bar, other), Math.max(1, bar.notes.length - 1))) continue;
      const similarity = barSimilarity(other, bar);
      if (similarity < ALIKE - ROUNDING && !oneNoteOther(other, bar)) continue;
      alike[here]?.push({ exact: there, similarity });
      alike[there]?.push({ exact: here, similarity });
    }
    for (const face of telling) {
      const list = holding.get(face);
      if (list) list.push(here);
      else holding.set(face, [here]);
    }
    if (bar.notes.length === 1) {
      if (alone.length === 0) single.set(bar.rhythm, [here]);
      else alone.push(here);
    }
  }
  return alike.map((list) =>
    list.sort((x, y) => y.similarity - x.similarity || x.exact - y.exact).slice(0, MOST_ALIKE),
  );
}
