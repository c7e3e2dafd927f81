import type { MarkActions } from '../actions';
import type { MarksModel } from '../use-marks-model';

/** What every part of the note panel shows and does. */
export interface OfNote {
  readonly model: MarksModel;
  readonly actions: MarkActions;
  readonly note: NonNullable<MarksModel['note']>;
}
