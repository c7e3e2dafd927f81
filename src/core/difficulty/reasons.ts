/**
 * Points at full strength, where a reason begins to count and where it is at full strength. Chosen by us; a reason
 * never gives more than its points. Rates are struck onsets a second in one staff, spans and leaps semitones.
 */
export const DIFFICULTY_WEIGHTS = {
  rate: { points: 3.5, from: 1, full: 9 },
  /** Semitones past a skip between notes that follow one another, over the bar lines too. */
  leap: { points: 2.5, from: 0, full: 14 },
  /** Times the hand has to move to another position. */
  position: { points: 1.5, from: 0, full: 3 },
  accidental: { points: 2.4, from: 0, full: 3 },
  black: { points: 0.8, from: 0.2, full: 0.8 },
  chord: { points: 1.5, from: 1, full: 4 },
  /** Thirds, sixths or octaves one after another in one hand. */
  doubles: { points: 1.6, from: 1, full: 5 },
  /** Semitones past the comfortable span in one chord. */
  stretch: { points: 2, from: 0, full: 5 },
  voices: { points: 1.2, from: 0, full: 1 },
  chordChanges: { points: 1, from: 1, full: 4 },
  /** Chords by symbol that follow one another inside a bar, under a strumming hand. */
  quickChange: { points: 2.5, from: 0, full: 2 },
  /** Notes struck off the beat and held over the next one. */
  syncopation: { points: 1.4, from: 0, full: 3 },
  tieOver: { points: 0.5, from: 0, full: 1 },
  tuplet: { points: 0.8, from: 0, full: 1 },
  /** Both staves busy with different rhythms. */
  together: { points: 1.2, from: 0, full: 4 },
  against: { points: 1.6, from: 0, full: 1 },
  /** One hand over the other. */
  crossing: { points: 1.2, from: 0, full: 4 },
  newRhythm: { points: 0.8, from: 0, full: 1 },
  /** Bars of one pattern before it changes. */
  newPattern: { points: 0.9, from: 3, full: 5 },
  ornament: { points: 1, from: 0, full: 2 },
  register: { points: 0.7, from: 0, full: 5 },
  key: { points: 1, from: 1, full: 6 },
  /** Of the fingering: thumbs passed under, shifts, strings crossed, register breaks, slides of a key, the arm. */
  thumb: { points: 0.8, from: 1, full: 5 },
  shift: { points: 1.8, from: 0, full: 3 },
  strings: { points: 1, from: 2, full: 8 },
  chordShape: { points: 1, from: 1, full: 4 },
  break: { points: 1.6, from: 0, full: 2 },
  slide: { points: 1.3, from: 0, full: 2 },
  arm: { points: 1.3, from: 3, full: 14 },
  /** Bars of rest before it, which are counted; said of an entry, not of the notes. */
  entry: { points: 1, from: 0, full: 8 },
} as const;

export type ReasonKind = keyof typeof DIFFICULTY_WEIGHTS;

/** One thing that makes a bar hard: by how much, and in words. */
export interface DifficultyReason {
  readonly kind: ReasonKind;
  readonly points: number;
  readonly text: string;
}

const tenth = (n: number): number => Math.round(n * 10) / 10;

function points(kind: ReasonKind, value: number): number {
  const { points: most, from, full } = DIFFICULTY_WEIGHTS[kind];
  return most * Math.max(0, Math.min(1, (value - from) / (full - from)));
}

/** Less is no reason worth saying. */
const LEAST_POINTS = 0.25;

/** A reason of so much; none where it hardly counts. */
export function reason(kind: ReasonKind, value: number, text: string): readonly DifficultyReason[] {
  const p = points(kind, value);
  return p >= LEAST_POINTS ? [{ kind, points: tenth(p), text }] : [];
}

export const pointsOf = (reasons: readonly DifficultyReason[]): number => reasons.reduce((sum, r) => sum + r.points, 0);

/** `1 accidental`, `2 accidentals`. */
export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
