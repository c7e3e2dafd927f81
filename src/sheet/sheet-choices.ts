import type { EngraveOptions } from '@/core/engraving';
import type { ExcerptRequest } from '@/core/musicxml';
import type { Result } from '@/core/result';
import type { Score } from '@/core/score';
import type { Piece } from '@/core/studio';
import type { Paper } from '@/core/studio';
import type { PrintSize } from './paper';

/**
 * What the fingers on a sheet are: those that are chosen for the student, or boxes to write them in, at every note or
 * where the hand moves.
 */
export const SHEET_FINGERS = ['chosen', 'boxes', 'box-changes'] as const;
export type SheetFingers = (typeof SHEET_FINGERS)[number];

export interface SheetChoices {
  readonly paper: Paper;
  readonly size: PrintSize;
  readonly fingers: SheetFingers;
}

/** Who reads and engraves. */
export interface SheetHands {
  readonly scoreOf: (piece: Piece) => Promise<Result<Score>>;
  /** Bars as one drawing a line. */
  readonly engrave: (
    piece: Piece,
    request: ExcerptRequest,
    options: EngraveOptions,
  ) => Promise<Result<readonly string[]>>;
  readonly signal?: AbortSignal;
}
