import { isAugmentedSixth, isDiminished, isDominant, type Chord } from './chord-kinds';
import type { MusicalKey } from './keys';

/** Prices of one chord after another, in beats; below 0 for what one expects. Ours, set on the training pieces. */
export const MOTION = {
  /** A dominant to the chord a fifth below, a leading-note chord to the one a half step up. */
  resolves: -0.3,
  /** A dominant or diminished chord that does neither, nor to the chord that stands in for it. */
  unresolved: 0.16,
  /** Roots down a fifth, as in the circle of fifths. */
  fifthDown: -0.1,
  /** To the dominant from what prepares it. */
  prepares: -0.1,
  /** A subdominant after the dominant. */
  backwards: 0.12,
  tritone: 0.1,
} as const;

/** Whether a chord goes where it wants to: a fifth down, a half step up, an augmented sixth a half step down. */
export function resolves(from: Chord, to: Chord): boolean {
  const up = (to.root - from.root + 12) % 12;
  if (isDiminished(to.kind.name) || to.kind.name === 'augmented') return false;
  if (isDiminished(from.kind.name)) return up === 1 || (from.kind.name === 'diminished-seventh' && up % 3 === 1);
  if (isAugmentedSixth(from.kind.name)) return up === 11 || up === 4;
  return isDominant(from.kind.name) && up === 5;
}

/** Whether a dominant goes to the chord that takes its tonic’s place: a step up. */
const deceives = (from: Chord, to: Chord): boolean => {
  const up = (to.root - from.root + 12) % 12;
  return isDominant(from.kind.name) && (up === 2 || up === 1);
};

/** What it costs that one chord follows another in a key. */
export function motionPrice(from: Chord, to: Chord, key: MusicalKey): number {
  if (from.root === to.root) return 0;
  if (resolves(from, to)) return MOTION.resolves;
  const up = (to.root - from.root + 12) % 12;
  const at = (to.root - key.tonic + 12) % 12;
  const was = (from.root - key.tonic + 12) % 12;
  const wants = isDominant(from.kind.name) || isDiminished(from.kind.name) || isAugmentedSixth(from.kind.name);
  // One diminished seventh may slide into the next, and a leading-note chord become the dominant it stands for.
  const standsIn =
    isDiminished(from.kind.name) &&
    (isDiminished(to.kind.name) || (isDominant(to.kind.name) && (up === 8 || up === 11)));
  if (wants && !standsIn && !deceives(from, to)) return MOTION.unresolved;
  if (at === 7 && (was === 5 || was === 2 || was === 8 || was === 1)) return MOTION.prepares;
  if (was === 7 && (at === 5 || at === 2)) return MOTION.backwards;
  if (up === 5) return MOTION.fifthDown;
  return up === 6 ? MOTION.tritone : 0;
}
