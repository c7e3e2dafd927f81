import { CHORD_KINDS, type ChordKind } from './chord-names';
import type { KeySpan } from './find-keys';

/** Weights, chosen by us and tried on the pieces in `tests/pieces`. */
export const HARMONY_WEIGHTS = {
  /** A sounding tone that is not in the chord. */
  foreign: 1.4,
  /** A tone of the chord that does not sound: root, third, fifth, seventh. */
  missing: [0.7, 0.5, 0.3, 0.55],
  rootInBass: 0.3,
  /** A tune alone has no bass and leaves tones out: chords change less often under it. */
  aloneMissing: 0.4,
  aloneChange: 0.9,
  aloneDownbeat: 0.45,
  /** A short note between two neighbours a step away. */
  passing: 0.25,
  change: 0.5,
  changeOnDownbeat: 0.12,
  /** Chords of the key before others, the three main ones before the rest: by semitones above the tonic. */
  inKey: { 0: 0.45, 7: 0.44, 5: 0.42, 2: 0.3, 9: 0.3, 4: 0.12, 11: 0.2, 3: 0.28, 8: 0.28, 10: 0.28 } as Readonly<
    Record<number, number>
  >,
  outsideKey: 0.25,
  /** Plain triads before sevenths and rarer kinds. */
  rare: {
    major: 0,
    minor: 0,
    dominant: 0.05,
    'minor-seventh': 0.2,
    'major-seventh': 0.35,
    diminished: 0.3,
    'half-diminished': 0.4,
    'diminished-seventh': 0.35,
    augmented: 0.8,
  } as Readonly<Record<string, number>>,
} as const;

export interface Candidate {
  readonly root: number;
  readonly kind: ChordKind;
}

/** Every chord that is tried at a beat. */
export const CANDIDATES: readonly Candidate[] = Array.from({ length: 12 }, (_, root) =>
  CHORD_KINDS.map((kind) => ({ root, kind })),
).flat();

/** Semitones above the tonic that belong to a key. */
export const scaleOf = ({ mode }: KeySpan): readonly number[] =>
  mode === 'major' ? [0, 2, 4, 5, 7, 9, 11] : [0, 2, 3, 5, 7, 8, 10, 11];

/** How well a chord says what sounds: higher is better. `weights` by pitch class, `bass` a pitch class. */
export function fitOf(
  c: Candidate,
  weights: readonly number[],
  bass: number | null,
  key: KeySpan,
  alone: boolean,
): number {
  const w = HARMONY_WEIGHTS;
  let score = 0;
  let total = 0;
  for (let pc = 0; pc < 12; pc += 1) {
    const here = weights[pc] ?? 0;
    if (here === 0) continue;
    total += here;
    score += c.kind.tones.includes((pc - c.root + 12) % 12) ? here : -w.foreign * here;
  }
  if (total === 0) return 0;
  score /= total;
  c.kind.tones.forEach((t, i) => {
    if ((weights[(c.root + t) % 12] ?? 0) === 0) score -= (w.missing[i] ?? 0.5) * (alone ? w.aloneMissing : 1);
  });
  if (!alone && bass !== null && bass === c.root) score += w.rootInBass;
  const scale = scaleOf(key);
  const inside = c.kind.tones.every((t) => scale.includes((c.root + t - key.tonic + 24) % 12));
  score += inside ? (w.inKey[(c.root - key.tonic + 12) % 12] ?? 0.2) : -w.outsideKey;
  return score - (w.rare[c.kind.name] ?? 0.4);
}

export function keyAt(keys: readonly KeySpan[], bar: number): KeySpan {
  return keys.find((k) => bar >= k.from && bar <= k.to) ?? { from: 0, to: 0, tonic: 0, mode: 'major' };
}
