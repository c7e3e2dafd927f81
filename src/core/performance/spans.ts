import { isPickupBar, type Score } from '../score';

/** Bars, both included. */
export type BarSpan = readonly [number, number];

/**
 * A range in pieces of so many bars, as it is called and answered or learned line by line. A pick-up goes with the
 * first; what is left at the end and is less than half of a piece goes with the last.
 *
 * @example barSpans(score, 0, 0, 2) // → [[0, 0]]
 */
export function barSpans(score: Score, from: number, to: number, size: number): readonly BarSpan[] {
  const extra = from === 0 && to > from && isPickupBar(score) ? 1 : 0;
  const spans: BarSpan[] = [];
  for (let at = from; at <= to;) {
    const end = Math.min(to, at + size - 1 + (at === from ? extra : 0));
    const last = spans[spans.length - 1];
    if (last && end - at + 1 < size / 2) spans[spans.length - 1] = [last[0], end];
    else spans.push([at, end]);
    at = end + 1;
  }
  return spans;
}

/**
 * A range in lines: cut behind the bars in which a phrase ends, and where one is longer than `most` bars, in half.
 *
 * @example lineSpans(score, 0, 0, []) // → [[0, 0]]
 */
export function lineSpans(
  score: Score,
  from: number,
  to: number,
  phraseEnds: readonly number[],
  most = 4,
): readonly BarSpan[] {
  const ends = [...new Set([...phraseEnds.filter((bar) => bar >= from && bar < to), to])].sort((a, b) => a - b);
  let start = from;
  return ends.flatMap((end) => {
    const phrase: BarSpan = [start, end];
    start = end + 1;
    return phrase[1] - phrase[0] + 1 > most ? barSpans(score, phrase[0], phrase[1], most) : [phrase];
  });
}

/**
 * A range chord by chord: bars that have one and the same printed chord belong together, a bar with several stands
 * alone. In pieces of two bars where no chord is printed.
 *
 * @example chordSpans(score, 0, 0) // → [[0, 0]]
 */
export function chordSpans(score: Score, from: number, to: number): readonly BarSpan[] {
  const symbols = [...score.chords].sort((a, b) => a.onset - b.onset);
  if (symbols.length === 0) return barSpans(score, from, to, 2);
  const spans: BarSpan[] = [];
  let before: string | null = null;
  for (const bar of score.bars.slice(from, to + 1)) {
    const holding = symbols.filter((s) => s.onset <= bar.onset).pop()?.text ?? null;
    const inside = symbols.filter((s) => s.onset > bar.onset && s.onset < bar.onset + bar.length);
    const one = inside.every((s) => s.text === holding) ? holding : null;
    const last = spans[spans.length - 1];
    if (last && one !== null && one === before) spans[spans.length - 1] = [last[0], bar.index];
    else spans.push([bar.index, bar.index]);
    before = one;
  }
  return spans;
}
