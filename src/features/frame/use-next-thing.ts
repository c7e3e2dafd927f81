'use client';

import { useMemo } from 'react';
import {
  currentAssignment,
  dueAtAGlance,
  foldLessons,
  lessonGoingOn,
  sectionsAskedFor,
  type Glance,
} from '@/core/mastery';
import { nextThing, sectionsToHear, type NextFacts, type NextKind, type NextThing, type ToHear } from '@/core/plan';
import { isTechnique, piecesInWork, type Piece, type Section, type Student } from '@/core/studio';
import { isSection, kindOf, wayOfPiece } from '@/core/way';
import { useGlances, usePieces, useSectionsOf, useStandings, useStudentEvents, useStudents, useStudio } from '@/store';
import { useScore } from '@/features/score';
import { useWhere, type Stage, type WhereAccess, type WhereChange } from '@/features/where';

/** Minutes before its end from which a lesson turns to the week. Chosen by us. */
const LAST_MINUTES = 5;

/** A place as it is said: a section by its letter, a chunk by its bars. */
const placeName = (place: Section): string =>
  kindOf(place) === 'section' ? (place.letter !== '' ? place.letter : place.name) : place.name;

/** What one student is about, as far as the next thing follows from it. */
function useOfStudent(student: Student | null, piece: Piece | null, pieces: readonly Piece[]) {
  const studio = useStudio();
  const standings = useStandings({ studentId: student?.id ?? null });
  const events = useStudentEvents(student?.id ?? null);
  const state = useScore(piece);
  const score = state.kind === 'ready' ? state.score : null;
  const work = useMemo(() => {
    const met = new Set([...(standings?.values() ?? [])].map((s) => s.pieceId));
    return student ? piecesInWork(student, pieces, met) : [];
  }, [student, pieces, standings]);
  const rows = useSectionsOf(useMemo(() => work.map((p) => p.id), [work]));
  // What does not change with the clock is kept; the rest is a few comparisons.
  const way = useMemo(
    () => (student && piece && score && rows ? wayOfPiece(rows, piece, score, student) : null),
    [student, piece, score, rows],
  );
  const lessons = useMemo(() => foldLessons(events ?? []), [events]);
  const now = studio.now();
  if (!student || !standings || !events || !rows) return null;
  const lesson = lessonGoingOn(lessons, now);
  const assignment = currentAssignment(events);
  const all = sectionsToHear(
    work.map((p) => ({
      pieceId: p.id,
      sections: rows.sections.filter((s) => s.pieceId === p.id),
      places: p.id === piece?.id ? way : null,
      isExercise: isTechnique(p),
    })),
    standings,
    student.id,
    sectionsAskedFor(assignment, lesson),
    now,
  ).filter((h) => h.state !== 'fresh');
  const first: ToHear | undefined = all.find((h) => h.pieceId === piece?.id) ?? all[0];
  const ends = lesson ? Date.parse(lesson.at) + ((lesson.minutes ?? 0) - LAST_MINUTES) * 60_000 : Infinity;
  return {
    first: first ?? null,
    firstPlace: rows.places.find((p) => p.id === first?.sectionId) ?? null,
    work,
    lessonGoesOn: lesson !== null,
    heardSinceWeek:
      lesson !== null && events.some((e) => e.kind === 'level' && (assignment === null || e.at > assignment.at)),
    lessonEnds: Date.parse(now) >= ends,
  };
}

/** Of everyone, or of who plays the piece: who has most that is due. */
function mostDue(
  students: readonly Student[],
  glances: readonly Glance[],
  pieceId: string | null,
  now: string,
): { readonly student: Student; readonly due: number } | null {
  const due = new Map<string, number>();
  for (const g of glances)
    if (pieceId === null || g.pieceId === pieceId)
      due.set(g.studentId, (due.get(g.studentId) ?? 0) + dueAtAGlance(g, now).due);
  const counted = students.map((student) => ({ student, due: due.get(student.id) ?? 0 }));
  return counted.reduce<(typeof counted)[number] | null>((m, c) => (c.due > (m?.due ?? 0) ? c : m), null);
}

interface Target {
  readonly stage: Stage;
  readonly change: WhereChange;
}

/** Whether one is where the next thing is done. */
const isThere = (where: WhereAccess, { stage, change }: Target): boolean =>
  where.stage === stage &&
  (change.pieceId === undefined || change.pieceId === where.pieceId) &&
  // A lesson begins by itself with what is heard first.
  (change.sectionId === undefined ||
    change.sectionId === where.sectionId ||
    (stage === 'lesson' && where.sectionId === null)) &&
  (change.view === undefined || change.view === where.view);

/** The next thing, whether one is there already, and going there. */
export type NextToDo = NextThing & { readonly isHere: boolean; readonly go: () => void };

/** The next thing to do for who and what is in hand, and where it is done; null while it is not known. */
export function useNextThing(): NextToDo | null {
  const where = useWhere();
  const studio = useStudio();
  const pieces = usePieces();
  const students = useStudents();
  const student = students?.find((s) => s.id === where.studentId) ?? null;
  const piece = pieces?.find((p) => p.id === where.pieceId) ?? null;
  const ofPiece = useSectionsOf(useMemo(() => (where.pieceId === null ? [] : [where.pieceId]), [where.pieceId]));
  const all = useGlances(null, student === null);
  const his = useOfStudent(student, piece, pieces ?? []);
  if (!pieces || !students || !ofPiece || (student && !his) || (!student && !all)) return null;
  const waiting = student === null ? mostDue(students, all ?? [], where.pieceId, studio.now()) : null;
  const facts: NextFacts = {
    pieces: pieces.length,
    students: students.length,
    piece: piece && {
      title: piece.title,
      isDivided: ofPiece.places.some(isSection),
      isOrdered: isTechnique(piece) || ofPiece.ways.some((w) => w.studentId === null) || ofPiece.ladders.length > 0,
      // Who was heard on it plays it, also where no pieces were put down.
      players: students.filter(
        (s) =>
          s.pieceIds?.includes(piece.id) ??
          (all ?? []).some((there) => there.studentId === s.id && there.pieceId === piece.id),
      ).length,
    },
    student: student &&
      his && {
        name: student.name,
        inWork: his.work.length,
        hasPiece: piece !== null && his.work.some((p) => p.id === piece.id),
        lessonGoesOn: his.lessonGoesOn,
        heardSinceWeek: his.heardSinceWeek,
        lessonEnds: his.lessonEnds,
      },
    toHear:
      his?.first && his.firstPlace
        ? {
            name: placeName(his.firstPlace),
            title: pieces.find((p) => p.id === his.first?.pieceId)?.title ?? '',
            state: his.first.state,
          }
        : null,
    waiting: waiting && { name: waiting.student.name, due: waiting.due },
  };
  const next = nextThing(facts);
  const targets: Readonly<Record<NextKind, Target>> = {
    bring: { stage: 'shelf', change: {} },
    'add-student': { stage: 'board', change: { studentId: null } },
    prepare: { stage: 'prepare', change: {} },
    order: { stage: 'ladder', change: {} },
    give: { stage: 'prepare', change: {} },
    hear: {
      stage: 'lesson',
      change: his?.first ? { pieceId: his.first.pieceId, sectionId: his.first.sectionId, view: null, bars: null } : {},
    },
    week: { stage: 'lesson', change: { view: 'week' } },
    'lesson-of': { stage: 'lesson', change: waiting ? { studentId: waiting.student.id } : {} },
    'choose-piece': { stage: 'shelf', change: { pieceId: null } },
    rest: { stage: 'board', change: { studentId: null } },
  };
  const target = targets[next.kind];
  return { ...next, isHere: isThere(where, target), go: () => where.go(target.stage, target.change) };
}
