import { beatOnsets, lastWhere, meterBeats, type Bar, type ChordSymbol, type Score } from '../score';
import type { PlayedBar } from './perform';

/** How the chords of a song are played under it. */
export const BACKINGS = ['bass-and-brush', 'down-and-up', 'waltz', 'picked'] as const;
export type Backing = (typeof BACKINGS)[number];

/** What is struck at a moment of a bar: the bass, the chord downwards or upwards, one string of it. */
export type Stroke =
  | { readonly kind: 'bass'; readonly tone: 'root' | 'fifth' }
  | { readonly kind: 'down' | 'up' }
  | {
      readonly kind: 'string';
      /** From the lowest above the bass. */
      readonly string: number;
    };

/** A tone of the backing; times in ticks of the playing. */
export interface BackingTone {
  readonly start: number;
  readonly length: number;
  /** Behind the stroke: strings are not struck at once. Seconds. */
  readonly late: number;
  readonly midi: number;
  /** 1 to 127. */
  readonly velocity: number;
  readonly bar: number;
}

/** The bass lies from here up, an octave wide; the strings above it from there. */
const BASS = 40;
const STRINGS = 52;
/** Between two strings of a stroke, in seconds **[from memory]**. */
const ROLL = 0.012;
/** So many strings sound at an upward stroke. */
const UP_STRINGS = 3;
const VELOCITY = { bass: 76, down: 62, up: 50, string: 60 } as const;

/** A beat that has three parts: dotted. */
const hasThree = (quarters: number): boolean => [0.75, 1.5, 3].includes(quarters);

/**
 * The patterns that go with a meter, the most usual first **[common practice]**.
 *
 * @example backingsFor(score.bars[0])[0] // → 'bass-and-brush'
 */
export function backingsFor(bar: Bar): readonly Backing[] {
  const beats = meterBeats(bar.meter);
  return beats.length === 3 && !beats.some((b) => hasThree(b.n / b.d))
    ? ['waltz', 'down-and-up', 'picked']
    : ['bass-and-brush', 'down-and-up', 'picked'];
}

interface Struck {
  readonly at: number;
  readonly stroke: Stroke;
}

/** One beat of a pattern; `length` in ticks, `three` where a beat has three parts. */
function beatOf(pattern: Backing, beat: number, at: number, length: number, three: boolean): readonly Struck[] {
  const bass: Stroke = { kind: 'bass', tone: beat % 4 === 2 ? 'fifth' : 'root' };
  const after = at + (three ? (2 * length) / 3 : length / 2);
  switch (pattern) {
    case 'bass-and-brush':
      return three
        ? [
            { at, stroke: bass },
            { at: after, stroke: { kind: 'down' } },
          ]
        : [{ at, stroke: beat % 2 === 0 ? bass : { kind: 'down' } }];
    case 'waltz':
      return [{ at, stroke: beat === 0 ? { kind: 'bass', tone: 'root' } : { kind: 'down' } }];
    case 'down-and-up':
      return [
        { at, stroke: { kind: 'down' } },
        { at: after, stroke: { kind: 'up' } },
      ];
    case 'picked': {
      const parts = three ? 3 : 2;
      return Array.from({ length: parts }, (_, part): Struck => ({
        at: at + (part * length) / parts,
        stroke:
          part === 0 && beat % 2 === 0
            ? bass
            : { kind: 'string', string: (beat % 2) * (parts - 1) + Math.max(0, part - 1) },
      }));
    }
  }
}

/** A pitch class at or above a key. */
const above = (classes: number, least: number): number => least + ((((classes - least) % 12) + 12) % 12);

/** The keys of a chord above its bass, from the lowest. */
function strings(classes: readonly number[]): readonly number[] {
  const one = classes.map((c) => above(c, STRINGS)).sort((a, b) => a - b);
  const [lowest] = one;
  return lowest === undefined || one.length > 3 ? one : [...one, lowest + 12];
}

function tonesOf(
  stroke: Stroke,
  classes: readonly number[],
): readonly { midi: number; order: number; velocity: number }[] {
  const [root = 0] = classes;
  const keys = strings(classes);
  switch (stroke.kind) {
    case 'bass': {
      const fifth = classes.find((c) => [6, 7, 8].includes((c - root + 12) % 12)) ?? root;
      return [{ midi: above(stroke.tone === 'root' ? root : fifth, BASS), order: 0, velocity: VELOCITY.bass }];
    }
    case 'down':
      return keys.map((midi, order) => ({ midi, order, velocity: VELOCITY.down }));
    case 'up':
      return [...keys]
        .reverse()
        .slice(0, UP_STRINGS)
        .map((midi, order) => ({ midi, order, velocity: VELOCITY.up }));
    case 'string': {
      const midi = keys[stroke.string % Math.max(1, keys.length)];
      return midi === undefined ? [] : [{ midi, order: 0, velocity: VELOCITY.string }];
    }
  }
}

/** The chord that holds at a place of the page; null before the first and where a symbol names no tones. */
function chordAt(symbols: readonly ChordSymbol[], onset: number): readonly number[] | null {
  const { classes = null } = symbols[lastWhere(symbols, (s) => s.onset <= onset)] ?? {};
  return classes === null || classes.length === 0 ? null : classes;
}

/**
 * The printed chords of a playing by a pattern. Nothing sounds before the first chord, nor where a symbol names no
 * tones ("N.C."); a tone lasts to the next stroke.
 *
 * @example backingTones(score, perform(score, { order: [0] }).bars, 'waltz') // → []
 */
export function backingTones(
  score: Pick<Score, 'chords' | 'ticksPerQuarter'>,
  bars: readonly PlayedBar[],
  pattern: Backing,
): readonly BackingTone[] {
  const symbols = [...score.chords].sort((a, b) => a.onset - b.onset);
  return bars.flatMap(({ bar, start }) => {
    const beats = beatOnsets(bar, score.ticksPerQuarter);
    // A pick-up begins on a weak beat.
    const weak = beats[0]?.downbeat === false ? 1 : 0;
    const struck = beats.flatMap(({ at }, i) => {
      const length = (beats[i + 1]?.at ?? bar.length) - at;
      return beatOf(pattern, i + weak, at, length, hasThree(length / score.ticksPerQuarter));
    });
    return struck.flatMap(({ at, stroke }, i): BackingTone[] => {
      const classes = chordAt(symbols, bar.onset + at);
      const length = (struck[i + 1]?.at ?? bar.length) - at;
      return classes === null
        ? []
        : tonesOf(stroke, classes).map(({ midi, order, velocity }) => ({
            start: start + at,
            length,
            late: order * ROLL,
            midi,
            velocity,
            bar: bar.index,
          }));
    });
  });
}
