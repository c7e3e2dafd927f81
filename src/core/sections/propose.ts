import {
  barLines,
  barSimilarity,
  differencesInWords,
  findSameness,
  movedInWords,
  type BarContent,
  type Line,
  type Sameness,
} from '../sameness';
import { fractionText, fraction, type Score } from '../score';
import { cutsOf, type Cut } from './cuts';
import { barsText } from './section-tree';
import { bestDivision } from './partition';

/** A section as proposed: bars both included, with a form letter and why it begins where it does. */
export interface ProposedSection {
  readonly name: string;
  readonly letter: string;
  readonly from: number;
  readonly to: number;
  /** How far before bar `from` it begins and before the bar after `to` it ends, exact quarters; `0` at the bar line. */
  readonly upbeatQuarters: string;
  readonly endUpbeatQuarters: string;
  readonly reasons: readonly string[];
  /** Index of the section this is a copy of, or null; 0-based in the same list. */
  readonly like: number | null;
  readonly phrases: readonly { readonly from: number; readonly to: number }[];
}

/** What a section of so many bars costs: four and eight are wanted, one and odd lengths are not. Chosen by us. */
const SECTION_COST: readonly number[] = [
  9, 2.2, 1.25, 1.3, 0.42, 1.05, 0.85, 1.05, 0.45, 1.0, 0.95, 1.15, 0.75, 1.15, 1.1, 1.2, 0.7,
];
const PHRASE_COST: readonly number[] = [9, 0.9, 0.34, 0.62, 0.3, 0.8, 0.75, 1.0, 0.7];
const LONGEST_SECTION = 32;
const LONGEST_PHRASE = 8;

const sectionCost = (length: number): number => SECTION_COST[length] ?? 1.1 + (length - 16) * 0.12;

/** The pick-up bar is not counted among the bars of its section. */
const countedLength = (score: Score, start: number, end: number): number =>
  end - start + 1 - (start === 0 && isPickup(score) ? 1 : 0);

function isPickup(score: Score): boolean {
  const [first, second] = score.bars;
  return (
    first !== undefined &&
    second !== undefined &&
    first.length < second.length &&
    (first.number === '0' || first.name === 'pick-up')
  );
}

interface Likeness {
  readonly share: number;
  readonly semitones: number | null;
  readonly steps: number;
}

/** How alike two runs of bars are: the tune counts for most, and a copy moved as a whole counts nearly as much. */
function likeness(all: Line, tune: Line, a: readonly [number, number], b: readonly [number, number]): Likeness {
  const length = Math.min(a[1] - a[0], b[1] - b[0]) + 1;
  const longest = Math.max(a[1] - a[0], b[1] - b[0]) + 1;
  const over = (line: Line, of: (x: BarContent, y: BarContent) => number): number => {
    let sum = 0;
    let weight = 0;
    for (let k = 0; k < length; k += 1) {
      const x = line.bars[a[0] + k];
      const y = line.bars[b[0] + k];
      if (!x || !y || (x.notes.length === 0 && y.notes.length === 0)) continue;
      sum += of(x, y);
      weight += 1;
    }
    return weight === 0 ? 0 : (sum / weight) * (length / longest) ** 0.5;
  };
  // Rhythm alone is no sameness of form: what it gives is taken off.
  const strict = (x: BarContent, y: BarContent): number => Math.max(0, (barSimilarity(x, y) - 0.45) / 0.55);
  const tuneShare = over(tune, strict);
  const whole = all === tune ? tuneShare : 0.7 * tuneShare + 0.3 * over(all, strict);
  // A return is known by how it begins: other opening bars make other material, however alike the rest.
  const opening = Math.max(1, Math.floor(length / 4));
  let begins = 0;
  for (let k = 0; k < opening; k += 1) {
    const x = tune.bars[a[0] + k];
    const y = tune.bars[b[0] + k];
    begins += x && y ? strict(x, y) / opening : 0;
  }
  const share = 0.65 * whole + 0.35 * begins;
  const shifts = new Map<number, number>();
  for (let k = 0; k < length; k += 1) {
    const x = tune.bars[a[0] + k];
    const y = tune.bars[b[0] + k];
    if (x?.anchor && y?.anchor && x.diatonic === y.diatonic)
      shifts.set(y.anchor.step - x.anchor.step, (shifts.get(y.anchor.step - x.anchor.step) ?? 0) + 1);
  }
  const [steps = 0, times = 0] = [...shifts].filter(([by]) => by !== 0).sort(([, x], [, y]) => y - x)[0] ?? [];
  const first = tune.bars[a[0]]?.anchor;
  const second = tune.bars[b[0]]?.anchor;
  if (times / longest > Math.max(share, 0.6))
    return { share: times / longest, semitones: first && second ? second.key - first.key : 0, steps };
  return { share, semitones: null, steps: 0 };
}

/** From this much likeness on a section takes the letter of an earlier one, with a prime. Chosen by us. */
const SAME_LETTER = 0.48;
const letterOf = (n: number): string =>
  n < 26
    ? String.fromCharCode(65 + n)
    : `${String.fromCharCode(64 + Math.floor(n / 26))}${String.fromCharCode(65 + (n % 26))}`;

const PRIMES = ['', '′', '″', '‴'];

interface Lettered {
  readonly letter: string;
  readonly like: number | null;
  readonly name: string;
  readonly says: string | null;
}

function letters(score: Score, ranges: readonly (readonly [number, number])[]): Lettered[] {
  const { all, staves } = barLines(score);
  const tune = staves[0] ?? all;
  const out: Lettered[] = [];
  const families: { base: string; versions: { index: number; primes: number }[] }[] = [];
  // A pick-up bar has no partner among full bars.
  const pickup = isPickup(score);
  const full = (range: readonly [number, number]): readonly [number, number] =>
    pickup && range[0] === 0 && range[1] > 0 ? [1, range[1]] : range;
  ranges.forEach((written, i) => {
    const range = full(written);
    const empty = all.bars.slice(range[0], range[1] + 1).every((b) => b.notes.length === 0);
    let best: { family: (typeof families)[number]; like: Likeness; index: number; primes: number } | null = null;
    if (!empty)
      for (const family of families)
        for (const version of family.versions) {
          const model = ranges[version.index];
          if (!model) continue;
          const like = likeness(all, tune, full(model), range);
          if (like.share > (best?.like.share ?? 0) + 1e-9)
            best = { family, like, index: version.index, primes: version.primes };
        }
    if (best === null || best.like.share < SAME_LETTER) {
      const base = letterOf(families.length);
      families.push({ base, versions: [{ index: i, primes: 0 }] });
      out.push({
        letter: base,
        like: null,
        name:
          i === 0
            ? 'Opening'
            : i === ranges.length - 1
              ? 'Close'
              : `New material${families.length > 2 ? ` ${families.length - 1}` : ''}`,
        says: null,
      });
      return;
    }
    const model = full(ranges[best.index] ?? range);
    const exact =
      best.like.semitones === null && best.like.share > 0.999 && model[1] - model[0] === range[1] - range[0];
    const primes = exact ? best.primes : Math.max(...best.family.versions.map((v) => v.primes)) + 1;
    if (!exact) best.family.versions.push({ index: i, primes });
    const modelName = out[best.index]?.letter ?? '';
    const bars = barsText(score, model[0], model[1]);
    const says =
      best.like.semitones !== null
        ? `as ${modelName} (${bars}), ${movedInWords({ steps: best.like.steps, semitones: best.like.semitones })}`
        : exact
          ? `as ${modelName} (${bars})`
          : `as ${modelName} (${bars}), changed`;
    out.push({
      letter: `${best.family.base}${PRIMES[primes] ?? `′${primes}`}`,
      like: best.index,
      name: exact
        ? i === ranges.length - 1
          ? 'Return'
          : `${modelName} again`
        : best.like.semitones !== null
          ? `${modelName} moved`
          : i === ranges.length - 1
            ? 'Return, changed'
            : `${modelName} changed`,
      says,
    });
  });
  return out;
}

/** Says what differs in a copy, where sameness found the pair. */
function changedWords(score: Score, sameness: Sameness, from: number, to: number): string | null {
  const found = sameness.repeats.find(
    (r) => r.kind === 'changed' && r.b[0] === from && r.b[1] === to && r.differences.length <= 3,
  );
  return found ? differencesInWords(score, found) : null;
}

/**
 * Sections with form letters and reasons, and the phrases inside each: a best division on everything that speaks for a
 * cut, in which four and eight bars are preferred and printed signs are always kept. Sections tile the piece.
 *
 * @example proposeSections(score).map((s) => [s.from, s.to]) // → [[0, 3], [4, 7]]
 */
export function proposeSections(score: Score, sameness: Sameness = findSameness(score)): ProposedSection[] {
  const last = score.bars.length - 1;
  if (last < 0) return [];
  const cuts = cutsOf(score, sameness.repeats);
  const cutAt = new Map<number, Cut>(cuts.map((c) => [c.bar, c]));
  const gain = (bar: number): number => cutAt.get(bar)?.strength ?? 0;
  const pickup = isPickup(score);
  const must = (bar: number): boolean => (cutAt.get(bar)?.printed ?? false) && !(pickup && bar === 1);
  const { starts } = bestDivision(
    0,
    last,
    gain,
    (a, b) => sectionCost(countedLength(score, a, b)),
    must,
    LONGEST_SECTION,
  );
  const ranges = starts.map((start, i): readonly [number, number] => [start, (starts[i + 1] ?? last + 1) - 1]);
  const named = letters(score, ranges);
  const upbeat = (bar: number): string => fractionText(fraction(cutAt.get(bar)?.upbeat ?? 0, score.ticksPerQuarter));
  return ranges.map(([from, to], i) => {
    const lettered = named[i];
    const inside = bestDivision(
      from,
      to,
      gain,
      (a, b) => PHRASE_COST[countedLength(score, a, b)] ?? 2,
      () => false,
      LONGEST_PHRASE + (pickup ? 1 : 0),
    );
    const length = countedLength(score, from, to);
    const words = lettered?.says?.endsWith('changed') ? changedWords(score, sameness, from, to) : null;
    const reasons = [
      ...(cutAt.get(from)?.reasons ?? ['the piece begins']),
      ...(lettered?.says ? [lettered.says] : []),
      ...(words ? [words] : []),
      ...(length === 4 || length === 8 ? [`${length} bars`] : []),
    ];
    return {
      name: lettered?.name ?? '',
      letter: lettered?.letter ?? '',
      from,
      to,
      upbeatQuarters: from === 0 ? '0' : upbeat(from),
      endUpbeatQuarters: upbeat(to + 1),
      reasons,
      like: lettered?.like ?? null,
      phrases: inside.starts.map((start, k) => ({ from: start, to: (inside.starts[k + 1] ?? to + 1) - 1 })),
    };
  });
}
