import { foldLessons } from '../../mastery';
import { fail, ok, type Result } from '../../result';
import { clampText, MOST, type Assigned, type Piece, type Student } from '../../studio';
import { command, put, rowOf, type Moment, type RowChange } from '../command';
import { withExercise } from '../exercise/add-exercise';
import { exerciseRows, idsOf, type NewExercise } from '../exercise/exercise-rows';
import { gone } from '../refusals';
import { inLesson } from '../lesson/the-lesson';

export interface Week {
  readonly items: readonly Assigned[];
  readonly leftOut: readonly { readonly what: string; readonly minutes: number }[];
  readonly cue: string;
  readonly minutesAvailable: number;
}

export type WeekEdit =
  /** The whole week as it was proposed. */
  | { readonly kind: 'give' }
  | { readonly kind: 'change'; readonly id: string; readonly change: Partial<Omit<Assigned, 'id'>> }
  | { readonly kind: 'remove'; readonly id: string }
  | { readonly kind: 'add'; readonly item: Assigned }
  | { readonly kind: 'cue'; readonly cue: string };

export interface GiveWeek {
  readonly studentId: string;
  readonly lessonId: string | null;
  /** What is changed where nothing was given yet: the week as it is proposed. */
  readonly proposed: Week;
  readonly edit: WeekEdit;
  /** Exercises that the proposed week holds and that are not there yet. */
  readonly exercises?: readonly NewExercise[];
}

const LABEL: Readonly<Record<WeekEdit['kind'], string>> = {
  give: 'week given',
  change: 'week changed',
  remove: 'task taken away',
  add: 'own task added',
  cue: 'cue of the week',
};

function edited(week: Week, edit: WeekEdit): Week {
  switch (edit.kind) {
    case 'give':
      return week;
    case 'change':
      return { ...week, items: week.items.map((i) => (i.id === edit.id ? { ...i, ...edit.change } : i)) };
    case 'remove':
      return { ...week, items: week.items.filter((i) => i.id !== edit.id) };
    case 'add':
      return { ...week, items: [...week.items, edit.item] };
    case 'cue':
      return { ...week, cue: edit.cue.trim() };
  }
}

/** A week within what one record holds: texts shortened, and what is left out past the limit gathered in one line. */
export function keptWeek(week: Week): Week {
  const leftOut = week.leftOut.map((l) => ({ what: clampText(l.what, MOST.task), minutes: l.minutes }));
  const over = leftOut.slice(MOST.leftOutOfWeek - 1);
  return {
    ...week,
    cue: clampText(week.cue, MOST.cue),
    items: week.items.map((i) => ({
      ...i,
      what: clampText(i.what, MOST.task),
      why: clampText(i.why, MOST.task),
      cue: clampText(i.cue, MOST.cue),
    })),
    leftOut:
      over.length > 1
        ? [
            ...leftOut.slice(0, MOST.leftOutOfWeek - 1),
            { what: `and ${over.length} more`, minutes: over.reduce((sum, l) => sum + l.minutes, 0) },
          ]
        : leftOut,
  };
}

/** Rows of the exercises that the week begins: music and ladder where there are none yet, in front of the pieces. */
function begunExercises(
  student: Student,
  there: readonly Piece[],
  week: Week,
  exercises: readonly NewExercise[],
  moment: Moment,
): Result<readonly RowChange[]> {
  const changes: RowChange[] = [];
  let of = student;
  for (const exercise of exercises) {
    const { pieceId } = idsOf(exercise);
    if (!week.items.some((i) => i.pieceId === pieceId)) continue;
    const rows = rowOf(there, pieceId) ? ok([]) : exerciseRows(exercise, moment);
    if (!rows.ok) return rows;
    changes.push(...rows.value);
    of = withExercise(of, pieceId);
  }
  return ok(of === student ? changes : [...changes, put('students', of)]);
}

/** Gives a week, or changes the one given in this lesson, from what is stored now: two quick edits both count. */
export const giveWeek = command({
  asks: ({ studentId, exercises = [] }: GiveWeek) => ({
    students: { ids: [studentId] },
    pieces: { ids: exercises.map((e) => idsOf(e).pieceId) },
    events: { studentId, kinds: ['lesson', 'lesson-joined', 'assignment'] },
  }),
  run: (stored, { lessonId, proposed, edit, exercises = [] }: GiveWeek, moment) => {
    const [student] = stored.students;
    if (!student) return gone('student');
    const lesson = inLesson(student, stored.events, lessonId, moment);
    if (!lesson) return gone('lesson');
    const given = foldLessons(stored.events).find((l) => l.id === lesson.lessonId)?.assignment ?? null;
    const before: Week = edit.kind === 'give' ? proposed : (given ?? proposed);
    if (edit.kind === 'change' && !rowOf(before.items, edit.id)) return gone('task');
    const week = keptWeek(edited(before, edit));
    if (week.items.length > MOST.tasksOfWeek)
      return fail('too-many-tasks', `A week holds up to ${MOST.tasksOfWeek} tasks.`);
    const begun = begunExercises(student, stored.pieces, week, exercises, moment);
    if (!begun.ok) return begun;
    return ok({
      label: LABEL[edit.kind],
      changes: begun.value,
      records: [
        ...lesson.begins,
        {
          id: moment.newId(),
          at: moment.now,
          kind: 'assignment',
          studentId: student.id,
          lessonId: lesson.lessonId,
          items: [...week.items],
          leftOut: [...week.leftOut],
          cue: week.cue,
          minutesAvailable: week.minutesAvailable,
        },
      ],
    });
  },
});
