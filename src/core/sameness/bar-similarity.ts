import { noteFace, type BarContent } from './bar-content';
import type { BarNote } from './struck-bars';

/** Share of a bar's likeness that the rhythm alone gives; the rest is pitches at their places. Chosen by us. */
export const RHYTHM_SHARE = 0.45;

/** How many numbers two sorted lists have in common, doubles counted as often as both have them. */
function common(a: readonly number[], b: readonly number[]): number {
  let i = 0;
  let j = 0;
  let same = 0;
  while (i < a.length && j < b.length) {
    const x = a[i] ?? 0;
    const y = b[j] ?? 0;
    if (x === y) {
      same += 1;
      i += 1;
      j += 1;
    } else if (x < y) i += 1;
    else j += 1;
  }
  return same;
}

/** Notes of one bar without a partner of the same place, pitch and length in the other, both ways. */
export function diffBars(
  a: BarContent,
  b: BarContent,
): { readonly onlyA: readonly BarNote[]; readonly onlyB: readonly BarNote[] } {
  const free = new Map<string, BarNote[]>();
  for (const n of b.notes) {
    const key = `${noteFace(n)} ${n.length}`;
    const list = free.get(key);
    if (list) list.push(n);
    else free.set(key, [n]);
  }
  const onlyA = a.notes.filter((n) => !free.get(`${noteFace(n)} ${n.length}`)?.pop());
  const left = new Set([...free.values()].flat());
  return { onlyA, onlyB: b.notes.filter((n) => left.has(n)) };
}

/** Same rhythm and just one note other: alike, however few notes the bar has. */
export const oneNoteOther = (a: BarContent, b: BarContent): boolean =>
  a.rhythm >= 0 &&
  a.rhythm === b.rhythm &&
  a.notes.length === b.notes.length &&
  a.notes.length - common(a.fullFaces, b.fullFaces) <= 1;

/**
 * How alike two bars of one line are, 0 to 1: the share of notes with the same pitch at the same place, and the share
 * of strikes at the same place. 1 for exact copies, 0.45 for the same rhythm with all other notes, 0 where one is empty
 * and the other not.
 *
 * @example barSimilarity(barLines(score).all.bars[0], barLines(score).all.bars[4]) // → 1
 */
export function barSimilarity(a: BarContent, b: BarContent): number {
  if (a.notes.length === 0 || b.notes.length === 0) return a.notes.length === b.notes.length ? 1 : 0;
  if (a.exact === b.exact) return 1;
  const total = a.notes.length + b.notes.length;
  const rhythm = a.rhythm === b.rhythm ? 1 : (2 * common(a.strikes, b.strikes)) / total;
  return Math.min(0.99, (1 - RHYTHM_SHARE) * ((2 * common(a.faces, b.faces)) / total) + RHYTHM_SHARE * rhythm);
}
