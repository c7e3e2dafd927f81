import { barSimilarity, type BarContent, type Line } from '../sameness';
import { staffPosition } from '../score';

/** Bars both included. */
export type Range = readonly [number, number];

/** How alike two ranges are, from 0 to 1, and in which way. */
export interface Likeness {
  readonly share: number;
  /** Moved as a whole: so many semitones and staff steps; null where it is not. */
  readonly moved: { readonly semitones: number; readonly steps: number } | null;
  /** The same under ornament or in another rhythm: outline, bass and lengths agree, the notes do not. */
  readonly varied: boolean;
}

/** The lines that are compared: all that sounds, the tune, and what lies lowest. */
export interface Lines {
  readonly all: Line;
  readonly tune: Line;
}

/** What counts for how much in the likeness of two ranges. Ours, set on the training pieces. */
export const LIKENESS = {
  /** Of the whole, the tune and all that sounds. */
  tune: 0.7,
  all: 0.3,
  /** How the ranges begin: other opening bars make other material, however alike the rest. */
  opening: 0.35,
  /** One bar in so many is the opening. */
  openingOf: 8,
  /** Copies moved as a whole are those of which more than this has moved alike. */
  movedFrom: 0.6,
} as const;

/** Of how many bars an opening is; a return is known by how it begins. */
export const openingOf = (bars: number): number => Math.max(1, Math.floor(bars / LIKENESS.openingOf));

/** Rhythm alone is no sameness of form: what it gives is taken off. */
const strict = (x: BarContent, y: BarContent): number => Math.max(0, (barSimilarity(x, y) - 0.45) / 0.55);

/** The mean over the bars of two ranges, as far as both reach; what one has more counts against it. */
function over(a: Range, b: Range, of: (i: number, j: number) => number | null): number {
  const length = Math.min(a[1] - a[0], b[1] - b[0]) + 1;
  const longest = Math.max(a[1] - a[0], b[1] - b[0]) + 1;
  let sum = 0;
  let bars = 0;
  for (let k = 0; k < length; k += 1) {
    const value = of(a[0] + k, b[0] + k);
    if (value === null) continue;
    sum += value;
    bars += 1;
  }
  return bars === 0 ? 0 : (sum / bars) * (length / longest) ** 0.5;
}

const compared =
  (line: Line, how: (x: BarContent, y: BarContent) => number) =>
  (i: number, j: number): number | null => {
    const x = line.bars[i];
    const y = line.bars[j];
    return !x || !y || (x.notes.length === 0 && y.notes.length === 0) ? null : how(x, y);
  };

/** Letters of a bar’s notes with how long each sounds: ornament and change of mode leave them nearly alone. */
function lettersOf(content: BarContent): readonly number[] {
  const out = Array.from({ length: 7 }, () => 0);
  for (const n of content.notes) {
    if (!n.note.pitch) continue;
    const letter = ((staffPosition(n.note.pitch) % 7) + 7) % 7;
    out[letter] = (out[letter] ?? 0) + n.length;
  }
  return out;
}

function cosine(a: readonly number[], b: readonly number[]): number {
  let top = 0;
  let x = 0;
  let y = 0;
  a.forEach((v, i) => {
    top += v * (b[i] ?? 0);
    x += v * v;
    y += (b[i] ?? 0) ** 2;
  });
  return x === 0 || y === 0 ? 0 : top / Math.sqrt(x * y);
}

/** The letter of the lowest note at the beginning of a bar; null without one. */
function bassLetterOf(content: BarContent): number | null {
  const [first] = content.notes;
  const at = content.notes.filter((n) => n.at === first?.at && n.note.pitch);
  const low = at.reduce<number | null>((l, n) => {
    const step = n.note.pitch ? staffPosition(n.note.pitch) : null;
    return step === null ? l : l === null ? step : Math.min(l, step);
  }, null);
  return low === null ? null : ((low % 7) + 7) % 7;
}

/** What a variation keeps of a bar. */
interface Kept {
  readonly letters: readonly number[];
  readonly bass: number | null;
}

/** Bars are compared with many others: what is read of one is read once. */
const keptOf = new WeakMap<BarContent, Kept>();
function kept(content: BarContent): Kept {
  const known = keptOf.get(content);
  if (known) return known;
  const found = { letters: lettersOf(content), bass: bassLetterOf(content) };
  keptOf.set(content, found);
  return found;
}

/** How far two bars agree in what a variation keeps: the letters that sound, the bass and the tune on the beat. */
function keptByVariation(x: BarContent, y: BarContent): number {
  if (x.notes.length === 0 || y.notes.length === 0) return 0;
  const [a, b] = [kept(x), kept(y)];
  return 0.7 * cosine(a.letters, b.letters) + (a.bass === b.bass ? 0.3 : 0);
}

/** From this much on two ranges of the same length are one another’s variations. Ours, set on the training pieces. */
export const VARIED_FROM = 0.8;
/** Shorter ranges share outline and bass by chance. */
const VARIED_BARS = 6;

/** The mean of what bars keep of each other, 0 as soon as it cannot be `least` any more. */
function keptOver(line: Line, a: Range, b: Range, least: number): number {
  const length = a[1] - a[0] + 1;
  const keeps = compared(line, keptByVariation);
  let sum = 0;
  let bars = 0;
  for (let k = 0; k < length; k += 1) {
    const value = keeps(a[0] + k, b[0] + k);
    if (value === null) continue;
    sum += value;
    bars += 1;
    const left = length - k - 1;
    if (sum + left < least * (bars + left) - 1e-9) return 0;
  }
  return bars === 0 ? 0 : sum / bars;
}

/**
 * How alike the outline of two ranges is; the tune counts as much as the whole. 0 where the ranges are too short or of
 * different length to be variations, or their outline says that they are none.
 */
function outlineOf({ all, tune }: Lines, a: Range, b: Range): number {
  if (a[1] - a[0] !== b[1] - b[0] || a[1] - a[0] + 1 < VARIED_BARS) return 0;
  if (all === tune) return keptOver(tune, a, b, VARIED_FROM);
  const whole = keptOver(all, a, b, 2 * VARIED_FROM - 1);
  return whole === 0 ? 0 : 0.5 * whole + 0.5 * keptOver(tune, a, b, 2 * VARIED_FROM - whole);
}

/** Whether one range may be a variation of the other, by its outline. */
export const isVaried = (lines: Lines, a: Range, b: Range): boolean => outlineOf(lines, a, b) >= VARIED_FROM;

/** The move that most bars of two ranges share, in staff steps of their first notes. */
function commonMove(tune: Line, a: Range, b: Range): { readonly steps: number; readonly share: number } | null {
  const longest = Math.max(a[1] - a[0], b[1] - b[0]) + 1;
  const moves = new Map<number, number>();
  for (let k = 0; k <= Math.min(a[1] - a[0], b[1] - b[0]); k += 1) {
    const x = tune.bars[a[0] + k];
    const y = tune.bars[b[0] + k];
    if (!x?.anchor || !y?.anchor || x.diatonic !== y.diatonic) continue;
    const by = y.anchor.step - x.anchor.step;
    if (by !== 0) moves.set(by, (moves.get(by) ?? 0) + 1);
  }
  const [most] = [...moves].sort(([, x], [, y]) => y - x);
  return most ? { steps: most[0], share: most[1] / longest } : null;
}

/**
 * How alike two ranges are: the tune counts for most, how they begin for nearly half; a copy moved as a whole counts as
 * far as it is one, and a variation by what variations keep.
 */
export function likeness(lines: Lines, a: Range, b: Range): Likeness {
  const { all, tune } = lines;
  const tuneShare = over(a, b, compared(tune, strict));
  const whole = all === tune ? tuneShare : LIKENESS.tune * tuneShare + LIKENESS.all * over(a, b, compared(all, strict));
  const opening = openingOf(Math.min(a[1] - a[0], b[1] - b[0]) + 1);
  const begins = over([a[0], a[0] + opening - 1], [b[0], b[0] + opening - 1], compared(tune, strict));
  const share = (1 - LIKENESS.opening) * whole + LIKENESS.opening * begins;
  const move = commonMove(tune, a, b);
  if (move && move.share > Math.max(share, LIKENESS.movedFrom)) {
    const from = tune.bars[a[0]]?.anchor;
    const to = tune.bars[b[0]]?.anchor;
    return {
      share: move.share,
      moved: { steps: move.steps, semitones: from && to ? to.key - from.key : 0 },
      varied: false,
    };
  }
  if (share < SAME_FROM) {
    const outlined = outlineOf(lines, a, b);
    if (outlined >= VARIED_FROM) return { share: Math.max(share, outlined * 0.75), moved: null, varied: true };
  }
  return { share, moved: null, varied: false };
}

/** From this much likeness on two ranges have one letter. Ours, set on the training pieces. */
export const SAME_FROM = 0.48;
