import { useState } from 'react';
import { dropMark, movePencil, putMarks } from '@/core/commands';
import { pencilRole, type NewMark, type PencilMark } from '@/core/studio';
import { useActs } from '@/features/acts';
import type { MarksModel } from '../use-marks-model';

/** A place on the page at which something is written. */
export type PencilPlace = Pick<PencilMark, 'barId' | 'at' | 'side'>;

/** Writing in pencil on the picture of a page, for everyone or for the student in hand. */
export function usePencil({ piece, student, marks }: Pick<MarksModel, 'piece' | 'student' | 'marks'>) {
  const { run } = useActs();
  /** Where something is being written; with the mark that is written over. */
  const [writing, setWriting] = useState<{ readonly place: PencilPlace; readonly mark: PencilMark | null } | null>(
    null,
  );
  const [forStudent, setForStudent] = useState(false);
  const seen = marks.flatMap((m) =>
    m.kind === 'pencil' && (m.studentId === null || m.studentId === student?.id) ? [m] : [],
  );
  const newMark = (place: PencilPlace, text: string, studentId: string | null): NewMark => ({
    kind: 'pencil',
    pieceId: piece.id,
    studentId,
    source: 'teacher',
    ...place,
    role: pencilRole(text),
    text,
  });
  const drop = (mark: PencilMark): void => run(dropMark, { markId: mark.id });
  const write = (place: PencilPlace, text: string, over: PencilMark | null): void => {
    const bare = text.trim();
    if (bare === '') {
      if (over) drop(over);
      setWriting(null);
      return;
    }
    const mark = newMark(place, bare, over ? over.studentId : forStudent && student ? student.id : null);
    run(putMarks, { marks: [mark], label: `pencil “${bare}”` }, { stored: () => setWriting(null) });
  };
  const move = (mark: PencilMark, place: PencilPlace): void => run(movePencil, { markId: mark.id, place });
  return { seen, writing, setWriting, forStudent, setForStudent, write, drop, move };
}

export type Pencil = ReturnType<typeof usePencil>;
