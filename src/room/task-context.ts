import type { Player } from '@/core/players';
import type { Score } from '@/core/score';
import type { PlacedSection } from '@/core/sections';
import type { Piece, Student } from '@/core/studio';

/** The piece of a task, as whoever practises it has it. */
export interface TaskContext {
  readonly piece: Piece;
  readonly student: Student | null;
  /** The whole score, and what of it the player has. */
  readonly score: Score;
  readonly player: Player;
  readonly played: Score;
  /** Sections and chunks, and the one that is practised; null for all of the piece. */
  readonly places: readonly PlacedSection[];
  readonly place: PlacedSection | null;
}
