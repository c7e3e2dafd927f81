/** Rows in which many records, and what they come to, are kept together. */
import type { FoldedStanding } from '@/core/mastery';
import type { RecordPlace, StudioEvent } from '@/core/studio';

/** Records of one student on one piece; of the piece, or of the student, alone where the other id is `''`. */
export interface Volume extends RecordPlace {
  readonly id: string;
  /** How many records. */
  readonly size: number;
  readonly records: readonly StudioEvent[];
}

/** Which records a volume holds: their ids, each between two line ends. */
export interface Contents {
  /** That of the volume. */
  readonly id: string;
  readonly ids: string;
}

/** Where one student stands on the sections of one piece. */
export interface Work extends RecordPlace {
  /** `student piece`. */
  readonly key: string;
  /** Changes whenever it is folded anew. */
  readonly stamp: string;
  readonly standings: readonly FoldedStanding[];
}
