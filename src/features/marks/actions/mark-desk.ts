import { putMarks, takeMarks } from '@/core/commands';
import type { NewMark } from '@/core/studio';
import type { StudioAccess } from '@/store';
import type { Acts } from '@/features/acts';
import type { FingersOnTheWay } from '../fingers-on-the-way';
import type { MarksModel } from '../use-marks-model';

/** What every action on marks works with. */
export interface MarkDesk {
  readonly model: MarksModel;
  readonly run: Acts['run'];
  readonly studio: StudioAccess;
  readonly onTheWay: FingersOnTheWay;
  /** A mark of the teacher's for everyone. */
  readonly base: { readonly pieceId: string; readonly studentId: null; readonly source: 'teacher' };
  readonly putOne: (label: string, mark: NewMark) => void;
  readonly takeOne: (label: string, mark: NewMark) => void;
}

export function markDesk(model: MarksModel, { run }: Acts, studio: StudioAccess, onTheWay: FingersOnTheWay): MarkDesk {
  return {
    model,
    run,
    studio,
    onTheWay,
    base: { pieceId: model.piece.id, studentId: null, source: 'teacher' },
    putOne: (label, mark) => run(putMarks, { marks: [mark], label }),
    takeOne: (label, mark) => run(takeMarks, { marks: [mark], label }),
  };
}
