import type { Score } from '../score';
import type { Cut } from './cuts';
import type { FindAlike } from './alike-ranges';
import { isVaried, likeness, SAME_FROM, type Lines, type Range } from './likeness';
import { bestDivision } from './partition';
import { countedLength, type PhraseRange } from './phrases';

/** Prices of sections, ours, set on the training pieces. Lengths in bars. */
export const SECTION_WEIGHTS = {
  /** How long sections are wanted to be: lines in a short piece, periods in a longer one. */
  line: 4,
  period: 8,
  /** A piece up to this long is read by lines. */
  shortPiece: 20,
  base: 0.45,
  /** For each doubling past the wanted length, and each halving. */
  longer: 0.32,
  shorter: 0.75,
  /** What cuts of phrases say counts for so much here. */
  cut: 0.55,
  /** Material of a period and more that comes back after something else. */
  returns: 1.1,
  returnEnds: 0.5,
  /** A period at once again, ornamented. */
  variation: 0.9,
  /** A printed block of this length or less is one section. */
  block: 16,
} as const;
const LONGEST_SECTION = 40;
/** What comes back for less than this is a line of a period, not a section. */
const RETURN_BARS = 6;
/** A phrase is held against so many earlier ones that are alike, and a return followed for so many phrases. */
const MOST_RETURNS = 100;
const LONGEST_RETURN = 40;

/** The bars of a phrase that are compared: a pick-up bar has no partner among full bars. */
const comparedBars = (score: Score, { from, to }: PhraseRange): Range => [
  from + (to - from + 1 - countedLength(score, from, to)),
  to,
];

/**
 * Whether the lines are what one calls by letters: some line comes back after something else, as in A A B A, or no two
 * are alike, as in a song composed through.
 */
function readByLines(score: Score, phrases: readonly PhraseRange[], lines: Lines): boolean {
  const ranges = phrases.map((p) => comparedBars(score, p));
  const alike = ranges.map((b, j) => ranges.map((a, i) => i < j && likeness(lines, a, b).share >= SAME_FROM));
  const areAlike = (i: number, j: number): boolean => alike[Math.max(i, j)]?.[Math.min(i, j)] ?? false;
  // A period and its variation are alike as wholes, not line by line.
  const [whole, rest] = [ranges.slice(0, ranges.length / 2), ranges.slice(ranges.length / 2)].map((half): Range => [
    half[0]?.[0] ?? 0,
    half[half.length - 1]?.[1] ?? 0,
  ]);
  if (ranges.length % 2 === 0 && whole && rest && likeness(lines, whole, rest).varied) return false;
  if (alike.every((row) => row.every((same) => !same))) return true;
  // Two halves that begin alike, a b a c, are a period and its answer.
  const half = ranges.length / 2;
  if (ranges.length >= 4 && areAlike(0, half) && !areAlike(0, 1)) return false;
  return ranges.some((_, j) =>
    ranges.some((_a, i) => areAlike(i, j) && ranges.some((_b, k) => k > i && k < j && !areAlike(k, j))),
  );
}

/** What speaks for a section to begin at the first bar of a phrase, because of what comes back. */
function returnGains(
  score: Score,
  phrases: readonly PhraseRange[],
  lines: Lines,
  findAlike: FindAlike,
): ReadonlyMap<number, number> {
  const gains = new Map<number, number>();
  const add = (bar: number | undefined, gain: number): void => {
    if (bar !== undefined) gains.set(bar, Math.max(gains.get(bar) ?? 0, gain));
  };
  const ranges = phrases.map((p) => comparedBars(score, p));
  const alike = findAlike(ranges);
  for (let j = 1; j < phrases.length; j += 1)
    for (const i of alike.earlier(j, MOST_RETURNS)) {
      let count = 0;
      let sum = 0;
      for (; i + count < j && count < LONGEST_RETURN; count += 1) {
        const share = alike.shareOf(i + count, j + count);
        if (share === 0) break;
        sum += share;
      }
      const end = phrases[j + count - 1]?.to ?? 0;
      const bars = end - (phrases[j]?.from ?? 0) + 1;
      const apart = i + count < j;
      if (count === 0 || bars < RETURN_BARS) continue;
      const mean = sum / count;
      const size = Math.min(1.2, bars / 8);
      const adjacent = mean < 0.9 ? SECTION_WEIGHTS.variation : 0;
      const gain = (apart ? SECTION_WEIGHTS.returns : adjacent) * mean * size;
      add(phrases[j]?.from, gain);
      if (apart) add(phrases[i]?.from, gain * SECTION_WEIGHTS.returnEnds);
      // Of a return that is followed no further nobody knows where it ends.
      if (count === LONGEST_RETURN) continue;
      if (apart) add(phrases[i + count]?.from, gain * SECTION_WEIGHTS.returnEnds);
      add(phrases[j + count]?.from, gain * SECTION_WEIGHTS.returnEnds);
    }
  // A whole period that comes back varied shows only as a whole: its lines are too short to tell.
  const [first = 0] = ranges[0] ?? [];
  const ends = new Set(phrases.map((p) => p.to));
  for (const { from } of phrases.slice(1)) {
    const length = from - first;
    if (length < 8 || length > LONGEST_SECTION || !ends.has(from + length - 1)) continue;
    const [period, answer]: readonly Range[] = [
      [first, from - 1],
      [from, from + length - 1],
    ];
    if (!period || !answer || !isVaried(lines, period, answer) || !likeness(lines, period, answer).varied) continue;
    add(from, SECTION_WEIGHTS.variation * 1.3);
    add(from + length, SECTION_WEIGHTS.variation);
  }
  return gains;
}

function sectionCost(length: number, wanted: number): number {
  const w = SECTION_WEIGHTS;
  const octaves = Math.log2(Math.max(0.5, length) / wanted);
  return w.base + (octaves > 0 ? octaves * w.longer : -octaves * w.shorter);
}

/** The sections of the piece, as runs of its phrases. Printed signs are never crossed. */
export function sectionRanges(
  score: Score,
  phrases: readonly PhraseRange[],
  cuts: readonly Cut[],
  lines: Lines,
  findAlike: FindAlike,
): readonly Range[] {
  const last = score.bars.length - 1;
  const at = new Map(cuts.map((c) => [c.bar, c] as const));
  const starts = new Set(phrases.map((p) => p.from));
  const returns = returnGains(score, phrases, lines, findAlike);
  const must = (bar: number): boolean => starts.has(bar) && (at.get(bar)?.printed ?? false);
  const printed = phrases.map((p) => p.from).filter((bar) => bar > 0 && must(bar));
  const short = countedLength(score, 0, last) <= SECTION_WEIGHTS.shortPiece;
  const wanted = short && readByLines(score, phrases, lines) ? SECTION_WEIGHTS.line : SECTION_WEIGHTS.period;
  // What printed signs close off is a section as it stands, if it is not too long for one.
  const blocks = [0, ...printed].flatMap((from, i): readonly Range[] => {
    const block: Range = [from, (printed[i] ?? last + 1) - 1];
    return Array.from({ length: block[1] - from + 1 }, () => block);
  });
  const blockOf = (bar: number): Range => blocks[bar] ?? [0, last];
  const gain = (bar: number): number => {
    if (!starts.has(bar)) return -99;
    const [from, to] = blockOf(bar);
    const whole = printed.length > 0 && countedLength(score, from, to) <= SECTION_WEIGHTS.block;
    const cut = Math.min(1.5, at.get(bar)?.strength ?? 0) * SECTION_WEIGHTS.cut;
    return whole && !must(bar) ? -99 : cut + (returns.get(bar) ?? 0);
  };
  const found = bestDivision(
    0,
    last,
    gain,
    (from, to) => {
      const [a, b] = blockOf(from);
      const whole = printed.length > 0 && a === from && b === to && countedLength(score, a, b) <= SECTION_WEIGHTS.block;
      return whole ? SECTION_WEIGHTS.base : sectionCost(countedLength(score, from, to), wanted);
    },
    must,
    LONGEST_SECTION,
  ).starts;
  return found.map((from, i): Range => [from, (found[i + 1] ?? last + 1) - 1]);
}
