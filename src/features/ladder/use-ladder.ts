import { useMemo } from 'react';
import { changePiece, tickRung } from '@/core/commands';
import { OVERHEAD, USUAL_OVERHEAD, type StudentLevel } from '@/core/ladder';
import { standingKey, type FoldedStanding } from '@/core/mastery';
import type { PlacedSection } from '@/core/sections';
import { teachingFor, type Ladder, type Student, type StudioEvent, type Teaching } from '@/core/studio';
import { barsOfPlaces, isBehind, standsAt, WAY_SCHOOLS, type Way, type WalkedPlace, type WaySchool } from '@/core/way';
import { useLadders, useSettings, useStandings, useStudentEvents, useStudents } from '@/store';
import { useActs } from '@/features/acts';
import { useOverhead, useProposedWay, type Answer, type PieceContext } from '@/features/score';
import { useWhere } from '@/features/where';
import { ladderActions, type LadderActions } from './ladder-actions';
import { useWay, type WayModel } from './use-way';
import { wayActions, type WayActions } from './way-actions';

/** Everything the stage shows: the way, the place in hand and its ladder, for whom. */
export interface LadderModel {
  readonly way: WayModel;
  readonly proposed: Answer<Way>;
  /** The place or section in hand; null where the piece has neither. */
  readonly inHand: PlacedSection | null;
  readonly place: WalkedPlace | null;
  readonly ladder: Ladder | null;
  readonly ladders: readonly Ladder[];
  readonly student: Student | null;
  readonly students: readonly Student[];
  readonly teaching: Teaching;
  readonly level: StudentLevel;
  /** How much longer than usual this student's practice takes. */
  readonly pace: number;
  readonly doneBy: (studentId: string) => readonly string[];
  readonly actions: LadderActions;
  readonly wayActions: WayActions;
  readonly setOrder: (order: Teaching['order']) => void;
  readonly tick: ((rungId: string) => void) | undefined;
  readonly choose: (sectionId: string) => void;
  /** Bars that are paid for: behind the student, else up to the place in hand; undefined without a way. */
  readonly paid: ReadonlySet<number> | undefined;
}

const NO_EVENTS: readonly StudioEvent[] = [];
const NO_LADDERS: readonly Ladder[] = [];
const NO_STUDENTS: readonly Student[] = [];
const NO_STANDINGS: ReadonlyMap<string, FoldedStanding> = new Map();

/** The school that a setting stands for; null for what the level suggests. */
const schoolOf = (order: Teaching['order']): WaySchool | null => WAY_SCHOOLS.find((s) => s === order) ?? null;

/** What is in hand: what the address names, else where the student stands, else the beginning. */
function inHandOf(
  context: PieceContext,
  way: WayModel,
  named: string | null,
  student: Student | null,
): PlacedSection | null {
  const at = (id: string | undefined): PlacedSection | null => way.placed.find((p) => p.section.id === id) ?? null;
  const here = student && way.places ? standsAt(way.places, way.levelAt(student.id)) : null;
  return (
    at(named ?? undefined) ??
    (named === null ? null : context.section) ??
    at(here?.section.id) ??
    at(way.places?.[0]?.section.id) ??
    context.section ??
    context.sections[0] ??
    null
  );
}

export function useLadder(context: PieceContext): LadderModel {
  const { piece, score, player, sections } = context;
  const where = useWhere();
  const acts = useActs();
  const ladders = useLadders(piece.id) ?? NO_LADDERS;
  const students = useStudents() ?? NO_STUDENTS;
  const settings = useSettings();
  const standings = useStandings({ pieceId: piece.id }) ?? NO_STANDINGS;
  const events = useStudentEvents(where.studentId) ?? NO_EVENTS;
  const student = students.find((s) => s.id === where.studentId) ?? null;
  const level = student?.level ?? 'intermediate';
  const way = useWay(piece, score, student, students, standings);
  const rows = useMemo(() => way.placed.map((p) => p.section), [way.placed]);
  const scores = useMemo(() => new Map([[piece.id, score]]), [piece.id, score]);
  const overhead = useOverhead(events, rows, scores, level);
  const teaching = teachingFor(piece.teaching, student?.teaching, settings?.teaching);
  const kept = useMemo(() => sections.map((p) => p.section), [sections]);
  const request = useMemo(
    () => ({ level, school: schoolOf(teaching.order), teaching, tempo: piece.targetTempo, overhead: USUAL_OVERHEAD }),
    [level, teaching, piece.targetTempo],
  );
  const proposed = useProposedWay(piece, player, kept, way.places === undefined || piece.exercise ? null : request);
  const inHand = inHandOf(context, way, where.sectionId, student);
  const setting = { score, student, teaching, level };
  const actions = ladderActions({ piece, sections: way.placed, ladders, ...setting }, acts);
  const paid = useMemo(() => {
    if (!way.places) return undefined;
    const at = way.places.findIndex((p) => p.section.id === inHand?.section.id);
    const levelAt = student ? way.levelAt(student.id) : null;
    return barsOfPlaces(way.places.filter((p, i) => (levelAt ? isBehind(p, levelAt) : i <= at)));
  }, [way, inHand, student]);
  const doneBy = (studentId: string): readonly string[] =>
    inHand ? (standings.get(standingKey(studentId, inHand.section.id))?.rungsDone ?? []) : [];
  return {
    way,
    paid,
    proposed,
    inHand,
    place: way.places?.find((p) => p.section.id === inHand?.section.id) ?? null,
    ladder: inHand ? actions.ladderOf(inHand) : null,
    ladders,
    student,
    students,
    teaching,
    level,
    pace: (student ? overhead : OVERHEAD[level]) / USUAL_OVERHEAD,
    doneBy,
    actions,
    wayActions: wayActions(piece, student, setting, acts),
    setOrder: (order) =>
      acts.run(changePiece, { pieceId: piece.id, change: { answer: ['order', order] }, label: 'order of learning' }),
    tick:
      student && inHand
        ? (rungId) =>
            acts.run(tickRung, { studentId: student.id, sectionId: inHand.section.id, rungId, inLesson: false })
        : undefined,
    choose: (sectionId) => {
      const p = way.placed.find((q) => q.section.id === sectionId);
      if (p) where.change({ sectionId, bars: [p.from, p.to] });
    },
  };
}
