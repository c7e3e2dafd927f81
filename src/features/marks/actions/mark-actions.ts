import type { StudioAccess } from '@/store';
import type { Acts } from '@/features/acts';
import type { FingersOnTheWay } from '../fingers-on-the-way';
import type { MarksModel } from '../use-marks-model';
import { fingerActions } from './finger-actions';
import { markDesk } from './mark-desk';
import { sectionActions } from './section-actions';
import { signActions } from './sign-actions';
import { suggestionActions } from './suggestion-actions';
import { touchActions } from './touch-actions';
import { wordActions } from './word-actions';

/** Everything a teacher does to the marks; each is one change that can be undone. */
export function markActions(model: MarksModel, acts: Acts, studio: StudioAccess, onTheWay: FingersOnTheWay) {
  const desk = markDesk(model, acts, studio, onTheWay);
  return {
    ...fingerActions(desk),
    ...suggestionActions(desk),
    ...signActions(desk),
    ...touchActions(desk),
    ...wordActions(desk),
    ...sectionActions(desk),
  };
}

export type MarkActions = ReturnType<typeof markActions>;
