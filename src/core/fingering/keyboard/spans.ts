/**
 * Spans between pairs of fingers of the right hand in semitones, from the lower-numbered to the higher-numbered finger;
 * negative where the thumb passes under. Source: Parncutt, Sloboda, Clarke, Raekallio and Desain, "An ergonomic model
 * of keyboard fingering for melodic fragments", Music Perception 14 (1997), table 1 (a male pianist with large hands).
 * The left hand is its mirror.
 */
export type Finger = 1 | 2 | 3 | 4 | 5;
export const FINGERS: readonly Finger[] = [1, 2, 3, 4, 5];

export interface SpanLimits {
  readonly minPractical: number;
  readonly minComfortable: number;
  readonly minRelaxed: number;
  readonly maxRelaxed: number;
  readonly maxComfortable: number;
  readonly maxPractical: number;
}

const row = (
  minPractical: number,
  minComfortable: number,
  minRelaxed: number,
  maxRelaxed: number,
  maxComfortable: number,
  maxPractical: number,
): SpanLimits => ({
  minPractical,
  minComfortable,
  minRelaxed,
  maxRelaxed,
  maxComfortable,
  maxPractical,
});

/** Key `ab` with a < b. */
export const SPAN_TABLE: Readonly<Record<string, SpanLimits>> = {
  12: row(-5, -3, 1, 5, 8, 10),
  13: row(-4, -2, 3, 7, 10, 12),
  14: row(-3, -1, 5, 9, 12, 14),
  15: row(-1, 1, 7, 10, 13, 15),
  23: row(1, 1, 1, 2, 3, 5),
  24: row(1, 1, 3, 4, 5, 7),
  25: row(2, 2, 5, 6, 8, 10),
  34: row(1, 1, 1, 2, 2, 4),
  35: row(1, 1, 3, 4, 5, 7),
  45: row(1, 1, 1, 2, 3, 5),
};

/** The hand the table was measured on reaches this far from thumb to little finger in comfort. */
export const TABLE_SPAN = 13;

export type Spans = (a: Finger, b: Finger) => SpanLimits;

/**
 * The table for a hand of another size: widest reaches in proportion, so that a child of a sixth (9) gets nine
 * thirteenths of them.
 */
export function spansFor(spanInSemitones: number): Spans {
  const f = Math.max(0.4, Math.min(1.4, spanInSemitones / TABLE_SPAN));
  const none = row(0, 0, 0, 0, 0, 0);
  /** By both fingers, place 6 × one + other: asked for a million times. */
  const scaled: SpanLimits[] = Array.from({ length: 36 }, () => none);
  for (const [key, s] of Object.entries(SPAN_TABLE)) {
    const far = (n: number): number => (f === 1 ? n : Math.max(1, n * f));
    const near = (n: number): number => (n < 0 ? n * f : n);
    const limits: SpanLimits = {
      minPractical: near(s.minPractical),
      minComfortable: near(s.minComfortable),
      minRelaxed: Math.min(s.minRelaxed, far(s.maxRelaxed)),
      maxRelaxed: far(s.maxRelaxed),
      maxComfortable: far(s.maxComfortable),
      maxPractical: far(s.maxPractical),
    };
    const [a = 0, b = 0] = [...key].map(Number);
    scaled[6 * a + b] = limits;
    scaled[6 * b + a] = limits;
  }
  return (a, b) => scaled[6 * a + b] ?? none;
}
