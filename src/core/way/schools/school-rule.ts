import type { RootPhrase } from '../roots';

/** An order of learning: new phrases, as they stand in the piece, to new phrases as they are learned. */
export interface SchoolRule {
  /** In a list: `from the start`. */
  readonly label: string;
  /** Its reason, one line. */
  readonly why: string;
  /** Corners are learned by themselves, before the phrase they stand in. */
  readonly cornersApart: boolean;
  readonly order: (roots: readonly RootPhrase[]) => readonly RootPhrase[];
}
