import type { Score } from '@/core/score';
import type { Rung } from '@/core/studio';

/** A piece as the history of its students needs it. */
export interface PlayedPiece {
  readonly id: string;
  readonly title: string;
  readonly score: Score;
  readonly sections: readonly {
    readonly id: string;
    readonly letter: string;
    readonly from: number;
    readonly to: number;
    readonly rungs: readonly Rung[];
  }[];
}
