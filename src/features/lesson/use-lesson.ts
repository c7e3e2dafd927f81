import { useMemo } from 'react';
import {
  currentAssignment,
  foldLessons,
  lessonGoingOn,
  sectionsAskedFor,
  type FoldedStanding,
  type Lesson,
} from '@/core/mastery';
import { sectionsToHear, type ToHear } from '@/core/plan';
import {
  isTechnique,
  laddersOf,
  piecesInWork,
  teachingFor,
  withTargetOf,
  type Ladder,
  type Piece,
  type PracticeEvent,
  type Section,
  type Student,
  type StudioEvent,
  type Teaching,
} from '@/core/studio';
import { wayOfPiece, type WalkedPlace } from '@/core/way';
import { useScores } from '@/features/score';
import { practisedSince } from './home-of';
import { usePieces, useSectionsOf, useSettings, useStandings, useStudentEvents, useStudents, useStudio } from '@/store';

export interface LessonModel {
  readonly student: Student;
  readonly pieces: readonly Piece[];
  /** What belongs to each of them was fetched. */
  readonly isComplete: boolean;
  /** Sections, and the chunks and joins of the ways. */
  readonly sections: readonly Section[];
  /** The way through a piece as this student goes it; null where there is none, or while the piece is opened. */
  readonly wayOf: (piece: Piece) => readonly WalkedPlace[] | null;
  readonly ladders: readonly Ladder[];
  readonly standings: ReadonlyMap<string, FoldedStanding>;
  readonly events: readonly StudioEvent[];
  readonly lessons: readonly Lesson[];
  /** What was practised since the last lesson. */
  readonly practised: readonly PracticeEvent[];
  /** The lesson going on; null before anything was recorded. */
  readonly current: Lesson | null;
  /** Last week's, or the one just given. */
  readonly assignment: ReturnType<typeof currentAssignment>;
  readonly toHear: readonly ToHear[];
  /** How the student is taught, in a piece or in what belongs to none. */
  readonly teachingOf: (piece: Piece | null) => Teaching;
}

/** Everything a lesson with one student is about; `undefined` while loading, `null` when there is no such student. */
export function useLesson(studentId: string | null, pieceId: string | null): LessonModel | null | undefined {
  const studio = useStudio();
  const students = useStudents();
  const allPieces = usePieces();
  const settings = useSettings();
  const standings = useStandings({ studentId });
  const events = useStudentEvents(studentId);
  const student = students?.find((s) => s.id === studentId) ?? null;
  const pieces = useMemo(() => {
    if (!student || !allPieces || !standings) return [];
    const given = currentAssignment(events ?? [])?.items.flatMap((i) => i.pieceId ?? []) ?? [];
    const met = new Set([...[...standings.values()].map((s) => s.pieceId), ...given]);
    const work = piecesInWork(student, allPieces, met);
    // The piece on the desk is heard even when it was never put down as in work.
    const chosen = allPieces.find((p) => p.id === pieceId);
    return (chosen && !work.includes(chosen) ? [chosen, ...work] : work).map((p) => withTargetOf(p, student));
  }, [student, allPieces, standings, events, pieceId]);
  const ids = useMemo(() => pieces.map((p) => p.id), [pieces]);
  const rows = useSectionsOf(ids);
  // Every piece of the lesson is at hand before it is asked for.
  const { scores } = useScores(pieces);
  const lessons = useMemo(() => foldLessons(events ?? []), [events]);
  const goingOn = lessonGoingOn(lessons, studio.now())?.id ?? null;
  const today = studio.today();
  const { now } = studio;
  return useMemo(() => {
    if (!students || !allPieces || !standings || !events || settings === undefined || !rows) return undefined;
    if (!student) return null;
    // Before those of its pieces are there it would seem to have no section and no ladder.
    if (ids.length > 0 && rows.pieceIds.length === 0) return undefined;
    const current = lessons.find((l) => l.id === goingOn) ?? null;
    const assignment = currentAssignment(events);
    const wayOf = (piece: Piece): readonly WalkedPlace[] | null => {
      const score = scores.get(piece.id);
      return score ? wayOfPiece(rows, piece, score, student) : null;
    };
    const toHear = sectionsToHear(
      pieces.map((p) => ({
        pieceId: p.id,
        sections: rows.sections.filter((s) => s.pieceId === p.id),
        places: wayOf(p),
        isExercise: isTechnique(p),
      })),
      standings,
      student.id,
      sectionsAskedFor(assignment, current),
      now(),
    );
    return {
      student,
      pieces,
      isComplete: ids.every((id) => rows.pieceIds.includes(id)),
      sections: rows.places,
      wayOf,
      // The student's own where there are such, and of a part of their own the ladders of that part.
      ladders: laddersOf(rows.ladders, pieces, student),
      standings,
      events,
      lessons,
      practised: practisedSince(events, lessons, current, today, studio.zone),
      current,
      assignment,
      toHear,
      teachingOf: (piece: Piece | null) => teachingFor(piece?.teaching, student.teaching, settings?.teaching),
    };
    // What is due moves on with the day, not with the clock: `today` stands for it.
  }, [
    students,
    allPieces,
    standings,
    events,
    settings,
    rows,
    student,
    pieces,
    ids,
    lessons,
    goingOn,
    today,
    now,
    scores,
    studio.zone,
  ]);
}
