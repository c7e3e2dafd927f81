import type { BarDifficulty, Corner } from '../difficulty';
import type { Player } from '../players';
import type { Entry } from '../players';
import type { Sameness } from '../sameness';
import type { SectionShape } from '../sections';
import type { Score } from '../score';

/** What is known of the piece for the player that the way is for; an analysis is one. */
export interface WayOf {
  /** As its player has it. */
  readonly played: Score;
  readonly player: Player;
  /** They tile the piece, and their phrases tile them. */
  readonly sections: readonly SectionShape[];
  readonly sameness: Pick<Sameness, 'ostinatos'>;
  readonly difficulties: readonly BarDifficulty[];
  readonly corners: readonly Corner[];
  readonly entries: readonly Entry[];
  readonly accompanied: boolean;
}
