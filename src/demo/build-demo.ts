import {
  dayAfter,
  dayOf,
  emptyStudio,
  madeRow,
  timeOn,
  UTC,
  type Student,
  type Studio,
  type Zone,
} from '@/core/studio';
import { putDemoExercises } from './demo-exercises';
import { historyOf } from './demo-history';
import { demoPieceRows } from './demo-piece';
import { DEMO_PIECES } from './demo-pieces';
import { DEMO_STUDENTS, type DemoStudent } from './demo-students';
import { putPhotographedPiece } from './photographed-piece';
import type { PlayedPiece } from './played-piece';
import { seeded } from './seeded';

/** Days before today on which the studio was begun. */
const BEGUN_DAYS_AGO = 180;
/** The demo is the same for the same day. */
const SEED = 4620;

const studentRow = (s: DemoStudent, order: number, start: string): Student => ({
  id: s.id,
  name: s.name,
  instrument: s.instrument,
  age: s.age,
  handSpanInSemitones: s.span,
  breathSpanInSeconds: s.breath,
  level: s.level,
  lessonMinutes: s.lesson,
  pieceIds: s.pieces.map(([id]) => id),
  ...(s.teaching === undefined ? {} : { teaching: s.teaching }),
  minutesPerDay: [...s.minutes],
  order,
  updatedAt: start,
});

/**
 * The demo studio, made relative to `now` with a fixed seed: pieces, sections, ladders, students, months of lessons and
 * practice.
 */
export function buildDemoStudio(now: Date, zone: Zone = UTC): Studio {
  const today = dayOf(now.toISOString(), zone);
  const start = timeOn(dayAfter(today, -BEGUN_DAYS_AGO), '10:00', zone);
  const studio: Studio = {
    ...emptyStudio(),
    settings: [
      madeRow(
        { id: 'studio', name: 'Harbour rooms', zone, barWord: 'bar', noteNames: 'american', lastBackupAt: null },
        start,
      ),
    ],
  };
  const played = new Map<string, PlayedPiece>();
  for (const demo of DEMO_PIECES) {
    const rows = demoPieceRows(demo, start);
    studio.pieces.push(rows.piece);
    studio.sections.push(...rows.sections);
    studio.ladders.push(...rows.ladders);
    studio.ways.push(...rows.ways);
    studio.marks.push(...rows.marks);
    played.set(demo.id, rows.played);
  }
  for (const [order, s] of DEMO_STUDENTS.entries()) {
    studio.students.push(studentRow(s, order, start));
    studio.events.push(...historyOf(s, played, { now: now.toISOString(), zone }, seeded(SEED + order)));
  }
  putPhotographedPiece(studio, start, zone);
  putDemoExercises(studio, now.toISOString(), start, zone);
  return studio;
}
