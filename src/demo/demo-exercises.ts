import { addExercise } from '@/core/commands';
import type { Exercise } from '@/core/exercise';
import {
  dayAfter,
  dayOf,
  madeRow,
  teachingFor,
  timeOn,
  type Ladder,
  type Level,
  type Piece,
  type Section,
  type Student,
  type Studio,
  type StudioEvent,
  type Zone,
} from '@/core/studio';

/** Exercises of the demo: whose they are, and how far each was heard, oldest first, in weeks ago. */
const DEMO_EXERCISES: readonly {
  readonly studentId: string;
  readonly exercise: Exercise;
  readonly heard: readonly (readonly [weeksAgo: number, level: Level])[];
}[] = [
  {
    studentId: 'demo-imke',
    exercise: { figure: 'scale', tonic: 'F', mode: 'major', octaves: 2 },
    heard: [
      [3, 1],
      [1, 2],
    ],
  },
  {
    studentId: 'demo-wren',
    exercise: { figure: 'five-notes', tonic: 'G', mode: 'major', octaves: 1 },
    heard: [[2, 2]],
  },
  {
    studentId: 'demo-bram',
    exercise: { figure: 'scale', tonic: 'D', mode: 'major', octaves: 1 },
    heard: [],
  },
];

interface Rows {
  piece?: Piece;
  section?: Section;
  ladder?: Ladder;
  student?: Student;
}

/** The rows that adding an exercise comes to, as the demo keeps them. */
function rowsOf(student: Student, exercise: Exercise, start: string, zone: Zone): Rows {
  const done = addExercise.run(
    { pieces: [], students: [student], events: [] },
    {
      exercise,
      instrument: student.instrument,
      level: student.level ?? 'intermediate',
      teaching: teachingFor(student.teaching),
      studentId: student.id,
    },
    { now: start, zone, newId: () => student.id },
  );
  const rows: Rows = {};
  for (const change of done.ok ? (done.value.changes ?? []) : []) {
    if (!('put' in change)) continue;
    if (change.table === 'pieces') rows.piece = madeRow(change.put, start);
    if (change.table === 'sections') rows.section = madeRow(change.put, start);
    if (change.table === 'ladders') rows.ladder = madeRow(change.put, start);
    if (change.table === 'students') rows.student = { ...change.put, updatedAt: start };
  }
  return rows;
}

/** Puts the exercises of the demo into its studio, with what was heard of them. */
export function putDemoExercises(studio: Studio, now: string, start: string, zone: Zone): void {
  for (const { studentId, exercise, heard } of DEMO_EXERCISES) {
    const at = studio.students.findIndex((s) => s.id === studentId);
    const student = studio.students[at];
    if (!student) continue;
    const rows = rowsOf(student, exercise, start, zone);
    if (!rows.piece || !rows.section || !rows.ladder || !rows.student) continue;
    studio.students[at] = rows.student;
    studio.pieces.push(rows.piece);
    studio.sections.push(rows.section);
    studio.ladders.push(rows.ladder);
    const of = { studentId, pieceId: rows.piece.id, sectionId: rows.section.id };
    for (const [weeksAgo, level] of heard) {
      const when = timeOn(dayAfter(dayOf(now, zone), -7 * weeksAgo), '15:10', zone);
      const [rung] = rows.ladder.rungs.slice(weeksAgo === heard[0]?.[0] ? 0 : 1);
      const id = `${studentId}-exercise-${weeksAgo}`;
      const records: readonly StudioEvent[] = [
        { ...of, id, at: when, kind: 'level', level, proposed: null, tempo: null, note: '' },
        ...(rung ? [{ ...of, id: `${id}-rung`, at: when, kind: 'rung' as const, rungId: rung.id, done: true }] : []),
      ];
      studio.events.push(...records);
    }
  }
}
