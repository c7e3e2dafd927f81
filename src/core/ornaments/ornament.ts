import type { Fraction } from '../score';

export type OrnamentStyle = 'early' | 'late' | 'measured';
export const ORNAMENT_STYLES: readonly OrnamentStyle[] = ['early', 'late', 'measured'];

export interface OrnamentNote {
  /** From the start of the piece as written, quarters. */
  readonly onset: Fraction;
  readonly duration: Fraction;
  readonly midi: number;
}

export interface RealisedOrnament {
  readonly noteId: string;
  readonly kind: string;
  readonly notes: readonly OrnamentNote[];
  /** Struck notes a second; more than a dozen is past most hands. */
  readonly notesPerSecond: number;
  readonly tooFast: boolean;
}

/**
 * Past this many notes a second an ornament is said to be too fast **[from memory: fast trills of trained players]**.
 */
export const FASTEST_NOTES_PER_SECOND = 13;
