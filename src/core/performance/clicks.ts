import { beatOnsets, meterQuarters, type Bar, type Score } from '../score';
import type { PlayedBar } from './perform';

/** Which beats are clicked: all, the first of each bar, every second bar, all but one bar in four, some by chance. */
export const CLICK_PATTERNS = ['beats', 'strong', 'second-bar', 'silent-fourth', 'chance'] as const;
export type ClickPattern = (typeof CLICK_PATTERNS)[number];

export interface Click {
  /** Ticks of the playing; below 0 in the count-in. */
  readonly at: number;
  readonly strength: 'strong' | 'beat' | 'between';
  /** The number of the beat in its bar, from 1; 0 between beats. */
  readonly count: number;
}

/** Of the beats that may be silent by chance, so many are **[from memory]**. */
const SILENT_SHARE = 0.3;

/** A number from 0 to below 1 that follows from three whole numbers: the same seed gives the same silences. */
export function chance(seed: number, bar: number, beat: number): number {
  let h = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(bar + 1, 0xc2b2ae35) ^ Math.imul(beat + 1, 0x27d4eb2f);
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = Math.imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 4_294_967_296;
}

const sounds = (pattern: ClickPattern, turn: number, beat: number, seed: number): boolean => {
  switch (pattern) {
    case 'beats':
      return true;
    case 'strong':
      return beat === 0;
    case 'second-bar':
      return turn % 2 === 0;
    case 'silent-fourth':
      return turn % 4 !== 3;
    case 'chance':
      return beat === 0 || chance(seed, turn, beat) >= SILENT_SHARE;
  }
};

/** The beats of a bar as clicks, with `parts` to a beat; the number of a beat is its place in a whole bar. */
function beatsOf(bar: Bar, start: number, ticksPerQuarter: number, parts: number): readonly Click[] {
  const beats = beatOnsets(bar, ticksPerQuarter);
  const whole = beatOnsets(
    { ...bar, index: 1 as Bar['index'], length: fullLength(bar, ticksPerQuarter) },
    ticksPerQuarter,
  );
  const missing = Math.max(0, whole.length - beats.length);
  return beats.flatMap((b, i): Click[] => {
    const next = beats[i + 1]?.at ?? bar.length;
    const length = Math.min(next, bar.length) - b.at;
    return Array.from({ length: parts }, (_, k): Click => ({
      at: start + b.at + (length * k) / parts,
      strength: k > 0 ? 'between' : b.downbeat ? 'strong' : 'beat',
      count: k > 0 ? 0 : missing + i + 1,
    }));
  });
}

/** What a bar of its meter lasts, in ticks; a bar without a meter its own length. */
function fullLength(bar: Bar, ticksPerQuarter: number): Bar['length'] {
  const { n, d } = meterQuarters(bar.meter);
  return (n > 0 ? (n * ticksPerQuarter) / d : bar.length) as Bar['length'];
}

/**
 * Clicks under the music, by a pattern, each beat divided into `parts`; none in bars that are to be silent.
 *
 * @example
 * clicksUnder(score, perform(score, { order: [0] }).bars, { pattern: 'strong', parts: 1, seed: 1 }).length // → 1
 */
export function clicksUnder(
  { ticksPerQuarter }: Pick<Score, 'ticksPerQuarter'>,
  bars: readonly PlayedBar[],
  { pattern, parts, seed }: { readonly pattern: ClickPattern; readonly parts: number; readonly seed: number },
  isSilent: (bar: Bar) => boolean = () => false,
): readonly Click[] {
  return bars.flatMap(({ bar, start }, turn) => {
    if (isSilent(bar)) return [];
    let beat = -1;
    return beatsOf(bar, start, ticksPerQuarter, parts).filter((click) => {
      if (click.strength !== 'between') beat += 1;
      return (click.strength === 'between' ? pattern !== 'strong' : true) && sounds(pattern, turn, beat, seed);
    });
  });
}

/**
 * Clicks before the music: so many whole bars, and what a pick-up lacks of its bar. Ticks below 0.
 *
 * @example countIn(score, score.bars[0], 1).map((c) => c.count) // → [1, 2, 3, 4]
 */
export function countIn(
  { ticksPerQuarter }: Pick<Score, 'ticksPerQuarter'>,
  first: Bar,
  bars: number,
): readonly Click[] {
  const full = fullLength(first, ticksPerQuarter);
  const lacking = first.index === 0 ? Math.max(0, full - first.length) : 0;
  const whole: Bar = { ...first, index: 1 as Bar['index'], length: full };
  const length = bars * full + lacking;
  return Array.from({ length: bars + (lacking > 0 ? 1 : 0) }, (_, i) =>
    beatsOf(whole, i * full - length, ticksPerQuarter, 1),
  )
    .flat()
    .filter((click) => click.at < 0);
}
