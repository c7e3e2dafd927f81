import type { MarkActions } from '../actions';
import type { MarksModel } from '../use-marks-model';

/** What a panel about the bars on screen is given. */
export interface OfBars {
  readonly model: MarksModel;
  readonly actions: MarkActions;
}
