import { buildLadder, describeCopy } from '@/core/ladder';
import {
  dayAfter,
  dayOf,
  emptyStudio,
  ladderId,
  madeRow,
  markId,
  openAbc,
  teachingFor,
  timeOn,
  UTC,
  type Mark,
  type NewMark,
  type Piece,
  type Section,
  type Student,
  type Studio,
  type Zone,
} from '@/core/studio';
import { historyOf, type PlayedPiece } from './demo-history';
import { DEMO_PIECES } from './demo-pieces';
import { DEMO_STUDENTS } from './demo-students';
import { seeded } from './seeded';

/** Days before today on which the studio was begun. */
const BEGUN_DAYS_AGO = 180;
/** The demo is the same for the same day. */
const SEED = 4620;

/**
 * The demo studio, made relative to `now` with a fixed seed: pieces, sections, ladders, students, months of lessons and
 * practice.
 */
export function buildDemoStudio(now: Date, zone: Zone = UTC): Studio {
  const steps = demoSteps(now, zone);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The same in small steps, so that a page can do something else in between: one a piece, one a student. */
export function* demoSteps(now: Date, zone: Zone): Generator<undefined, Studio> {
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
    yield;
    const opened = openAbc(demo.abc, `${demo.id}.abc`);
    if (!opened.ok) throw new Error(opened.issue.message);
    const { read, text } = opened.value;
    const { score } = read;
    const piece: Piece = {
      id: demo.id,
      title: score.title,
      composer: score.composer,
      format: 'abc',
      fileName: `${demo.id}.abc`,
      source: text,
      encoding: 'utf-8',
      bom: false,
      original: demo.abc,
      instrument: demo.instrument,
      targetTempo: null,
      addedAt: start,
      updatedAt: start,
    };
    studio.pieces.push(piece);
    const sectionId = (i: number): string => `${demo.id}-s${i + 1}`;
    const sections = demo.sections.map((s, i) => {
      const model = s.like === undefined ? undefined : demo.sections[s.like];
      const section: Section = {
        id: sectionId(i),
        pieceId: demo.id,
        name: s.name,
        letter: s.letter,
        fromBar: score.bars[s.from]?.id ?? '',
        toBar: score.bars[s.to]?.id ?? '',
        fromOffset: '0',
        toOffset: null,
        parentId: null,
        likeId: s.like === undefined ? null : sectionId(s.like),
        hand: 'all',
        order: s.from,
        updatedAt: start,
      };
      studio.sections.push(section);
      const rungs = buildLadder({
        score,
        from: s.from,
        to: s.to,
        instrument: demo.instrument,
        targetTempo: null,
        teaching: teachingFor(),
        copyOf: model ? describeCopy(score, model.letter, [model.from, model.to], [s.from, s.to]) : null,
        sectionId: section.id,
      });
      studio.ladders.push({
        id: ladderId(section.id),
        sectionId: section.id,
        pieceId: demo.id,
        rungs,
        updatedAt: start,
      });
      return { id: section.id, letter: s.letter, from: s.from, to: s.to, rungs };
    });
    played.set(demo.id, { id: demo.id, title: score.title, score, sections });
    const base = { pieceId: demo.id, studentId: null, source: 'teacher' as const };
    const keep = (mark: NewMark): void =>
      void studio.marks.push({ ...mark, id: markId(mark), updatedAt: start } as Mark);
    demo.fingers.forEach(([noteId, finger]) => keep({ ...base, kind: 'finger', noteId, finger }));
    demo.cues.forEach(([noteId, text]) => keep({ ...base, kind: 'cue', noteId, text }));
  }
  for (const [order, s] of DEMO_STUDENTS.entries()) {
    yield;
    const student: Student = {
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
    };
    studio.students.push(student);
    studio.events.push(...historyOf(s, played, { now: now.toISOString(), zone }, seeded(SEED + order)));
  }
  return studio;
}
