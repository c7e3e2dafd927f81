import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addStudent,
  buildLadders,
  changePiece,
  changeRungs,
  changeSection,
  changeSettings,
  changeStudent,
  correctRecord,
  giveWeek,
  joinSections,
  logPractice,
  makeSection,
  moveSectionEnds,
  putMarks,
  recordLevel,
  removeSection,
  sayInLesson,
  setFingers,
  splitSection,
  takeBackLesson,
  takeMarks,
  tickRung,
  type Week,
} from '@/core/commands';
import { foldStandings, glanceOf, unpackGlances } from '@/core/mastery';
import {
  mergeStudios,
  notesOfMark,
  readStudioFile,
  teachingFor,
  writeStudioFile,
  type Level,
  type NewMark,
  type Studio,
} from '@/core/studio';
import type { Score } from '@/core/score';
import { bindRecords } from './bind-records';
import { putStudio } from './studio-data';
import { testStudio, withPiece, type TestStudio } from './studio-for-tests';
import { everyRecord, everyStanding, readInPortions, savedText, readStudio } from './whole-for-tests';

const LATER = '2026-09-01T00:00:00.000Z';
const NO_WEEK: Week = { items: [], leftOut: [], cue: '', minutesAvailable: 60 };
const TEACHING = { teaching: teachingFor(), level: 'intermediate' as const };

/** One step of a teacher: what, and two numbers that choose of what there is. */
const STEPS = [
  'finger',
  'unfinger',
  'mark',
  'unmark',
  'section',
  'rename',
  'move',
  'split',
  'join',
  'unsection',
  'ladder',
  'rung',
  'unrung',
  'student',
  'age',
  'level',
  'correct',
  'tick',
  'said',
  'week',
  'practice',
  'settings',
  'title',
  'unlesson',
  'undo',
  'redo',
  'clock back',
  'bind',
] as const;
type Step = readonly [what: (typeof STEPS)[number], a: number, b: number];
const steps = (most: number): fc.Arbitrary<Step[]> =>
  fc.array(fc.tuple(fc.constantFrom(...STEPS), fc.nat({ max: 40 }), fc.nat({ max: 40 })), {
    minLength: 1,
    maxLength: most,
    size: 'max',
  });

const of = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(1, list.length)];

interface Desk {
  readonly studio: TestStudio;
  readonly pieceId: string;
  readonly score: Score;
}

/** Does one step where it can be done; refusals are answers, too. */
async function take({ studio, pieceId, score }: Desk, [what, a, b]: Step): Promise<void> {
  const { db, run } = studio;
  const sections = await db.sections.toArray();
  const students = await db.students.toArray();
  const section = of(sections, a);
  const student = of(students, b);
  const noteId = of(score.notes, a)?.id ?? '';
  const mark: NewMark = {
    kind: 'dynamic',
    pieceId,
    studentId: null,
    source: 'teacher',
    noteId,
    level: b % 2 === 0 ? 'f' : 'p',
  };
  const at = { pieceId, score };
  const heard = { lessonId: null, proposed: null, tempo: null, note: '', facets: null, errors: [], signs: {} };
  switch (what) {
    case 'finger':
      await run(setFingers, {
        ...at,
        variant: b % 3 === 0 ? 'simple' : 'full',
        fingers: [{ noteId, finger: { finger: String((b % 5) + 1), ...(b % 2 === 0 ? { string: 2 } : {}) } }],
        label: 'finger',
      });
      break;
    case 'unfinger':
      await run(setFingers, { ...at, variant: 'full', fingers: [{ noteId, finger: null }], label: 'no finger' });
      break;
    case 'mark':
      await run(putMarks, { marks: [mark], label: 'mark' });
      break;
    case 'unmark':
      await run(takeMarks, { marks: [mark], label: 'no mark' });
      break;
    case 'section':
      await run(makeSection, { ...at, bars: [a % 8, Math.min(7, (a % 8) + (b % 4))] });
      break;
    case 'rename':
      if (section)
        await run(changeSection, {
          pieceId,
          sectionId: section.id,
          change: { name: `name ${b}`, likeId: of(sections, b)?.id ?? null },
        });
      break;
    case 'move':
      if (section)
        await run(moveSectionEnds, { ...at, sectionId: section.id, toBy: (b % 3) - 1, withNeighbour: b % 2 === 0 });
      break;
    case 'split':
      if (section) await run(splitSection, { ...at, sectionId: section.id, at: b % 8 });
      break;
    case 'join':
      if (section) await run(joinSections, { ...at, sectionId: section.id });
      break;
    case 'unsection':
      if (section) await run(removeSection, { pieceId, sectionId: section.id });
      break;
    case 'ladder':
      await run(buildLadders, { ...TEACHING, ...at, sectionIds: section ? [section.id] : [], anew: b % 2 === 0 });
      break;
    case 'rung':
    case 'unrung': {
      const ladder = of(await db.ladders.toArray(), a);
      const rung = of(ladder?.rungs ?? [], b);
      if (!ladder || !rung) break;
      const edit =
        what === 'rung'
          ? ({ kind: 'change', id: rung.id, change: { times: (b % 9) + 1 } } as const)
          : ({ kind: 'remove', id: rung.id } as const);
      await run(changeRungs, { pieceId, sectionId: ladder.sectionId, edit });
      break;
    }
    case 'student':
      await run(addStudent, { name: `S${a}`, instrument: 'viola' });
      break;
    case 'age':
      if (student)
        await run(changeStudent, {
          studentId: student.id,
          change: { age: String(a), ...(a % 2 === 0 ? { density: 'none' } : {}) },
          label: 'age',
        });
      break;
    case 'level':
      if (student && section)
        await run(recordLevel, { ...heard, studentId: student.id, sectionId: section.id, level: (b % 6) as Level });
      break;
    case 'correct': {
      const record = of(
        (await everyRecord(db)).filter((e) => e.kind === 'level'),
        a,
      );
      if (record)
        await run(correctRecord, {
          recordId: record.id,
          correction: { level: (b % 6) as Level, ...(section && b % 2 === 0 ? { sectionId: section.id } : {}) },
        });
      break;
    }
    case 'tick':
      if (student && section)
        await run(tickRung, {
          studentId: student.id,
          sectionId: section.id,
          rungId: `r${b % 3}`,
          inLesson: b % 2 === 0,
        });
      break;
    case 'said':
      if (student) await run(sayInLesson, { studentId: student.id, lessonId: null, text: `said ${a}` });
      break;
    case 'week':
      if (student)
        await run(giveWeek, {
          studentId: student.id,
          lessonId: null,
          proposed: NO_WEEK,
          edit: { kind: 'cue', cue: `cue ${a}` },
        });
      break;
    case 'practice':
      if (student)
        await run(logPractice, {
          studentId: student.id,
          pieceId,
          sectionId: null,
          day: '2026-05-19',
          minutes: a + 1,
          times: b,
          tempo: null,
          note: '',
        });
      break;
    case 'settings':
      await run(changeSettings, {
        change: { name: `rooms ${a}`, gestureCue: ['accent keyboard', b % 2 === 0 ? '' : `cue ${b}`] },
        label: 'settings',
      });
      break;
    case 'title':
      await run(changePiece, { pieceId, change: { title: `Title ${a}` }, label: 'title' });
      break;
    case 'unlesson': {
      const lesson = of(
        (await everyRecord(db)).filter((e) => e.kind === 'lesson'),
        a,
      );
      if (lesson && 'studentId' in lesson)
        await run(takeBackLesson, { studentId: lesson.studentId, lessonId: lesson.id });
      break;
    }
    case 'undo':
      await studio.undo();
      break;
    case 'redo':
      await studio.redo();
      break;
    case 'clock back':
      studio.clock.now = new Date(Date.parse(studio.clock.now) - a * 600_000).toISOString();
      break;
    case 'bind':
      await bindRecords(db, () => undefined, b % 2 === 0 ? 0 : 10);
      break;
  }
}

async function desk(device: string, base?: Studio): Promise<Desk> {
  const studio = await testStudio({ device });
  if (!base) {
    const at = { studio, ...(await withPiece(studio)) };
    // Enough to begin with: two sections, a ladder, two students.
    for (const step of [
      ['section', 0, 3],
      ['section', 4, 3],
      ['ladder', 0, 0],
      ['student', 1, 0],
      ['student', 2, 0],
    ] as const)
      await take(at, step);
    return at;
  }
  await putStudio(studio.db, base, 'base', LATER);
  const [piece] = base.pieces;
  const spare = await testStudio({ device: 'spare' });
  const { score } = await withPiece(spare);
  return { studio, pieceId: piece?.id ?? '', score };
}

/** What a row holds, without its times. */
const bare = (studio: Studio): unknown =>
  JSON.parse(
    JSON.stringify({ ...studio, removed: [], events: [] }, (key, value: unknown) =>
      key === 'touched' || key === 'updatedAt' ? undefined : value,
    ),
  ) as unknown;

/** As many as there is time for in the usual tests; `npm run test:long` tries many more. */
const LONG = process.env['LONG'] !== undefined;
const run = {
  numRuns: LONG ? 600 : 20,
  interruptAfterTimeLimit: LONG ? 900_000 : 40_000,
  markInterruptAsFailure: false,
};

describe('every state that commands reach', () => {
  it('goes out and comes in as itself, has one mark a place, and keeps its standings folded', async () => {
    let marks = 0;
    let records = 0;
    await fc.assert(
      fc.asyncProperty(steps(40), async (list) => {
        const at = await desk('one');
        for (const step of list) await take(at, step);
        const { db } = at.studio;
        const out = await readStudio(db);
        expect(out.damaged).toEqual([]);
        const read = readStudioFile(writeStudioFile(out, LATER), 'file', 'UTC');
        expect(read).toMatchObject({ ok: true, value: { studio: out } });
        const again = await testStudio({ device: 'again' });
        await putStudio(again.db, out, 'file', LATER);
        expect(await readStudio(again.db)).toEqual(out);
        const places = out.marks.map(
          (m) => `${m.kind} ${notesOfMark(m).join()} ${m.kind === 'finger' ? (m.variant ?? '') : ''}`,
        );
        expect(new Set(places).size).toBe(places.length);
        const byKey = (x: { key: string }, y: { key: string }): number => (x.key < y.key ? -1 : 1);
        const kept = (await everyStanding(db)).map((s) => ({ ...s, rungsDone: [...s.rungsDone].sort() }));
        const folded = foldStandings(out.events)
          .map((s) => ({ ...s, rungsDone: [...s.rungsDone].sort() }))
          .sort(byKey);
        expect(kept).toEqual(folded);
        // Each work has its glance.
        const works = await db.works.orderBy('key').toArray();
        const glances = (await db.glances.toArray()).flatMap(unpackGlances);
        expect(glances.sort(byKey)).toEqual(works.map((w) => glanceOf(w.standings, w.stamp)));
        // The file that is saved in portions, read in portions, is the same studio, however records lie.
        const text = await savedText(db, LATER);
        expect(readStudioFile(text, 'file', 'UTC')).toMatchObject({ ok: true, value: { studio: out } });
        const coming = readInPortions(text, 97);
        const third = await testStudio({ device: 'third' });
        await putStudio(third.db, coming.studio, 'file', LATER, coming.records);
        expect(await readStudio(third.db)).toEqual(out);
        expect(await everyStanding(third.db)).toEqual(await everyStanding(again.db));
        await bindRecords(third.db, () => undefined, 0);
        // Only words that were loose stand elsewhere in it.
        const lines = (file: string): string[] => file.split('\n').map((l) => l.replace(/,$|\]?,?$/, ''));
        expect(lines(await savedText(third.db, LATER)).sort()).toEqual(lines(text).sort());
        marks += out.marks.length;
        records += out.events.length;
      }),
      run,
    );
    // The generator reaches what it is to reach.
    expect(marks).toBeGreaterThan(10);
    expect(records).toBeGreaterThan(10);
  });

  it('is restored by undo, field by field, and repeated by redo', async () => {
    let undone = 0;
    await fc.assert(
      fc.asyncProperty(steps(20), steps(1), async (before, [step]) => {
        if (!step || step[0] === 'undo' || step[0] === 'redo' || step[0] === 'clock back' || step[0] === 'bind') return;
        const at = await desk('one');
        for (const s of before) await take(at, s);
        const was = await readStudio(at.studio.db);
        const standings = await everyStanding(at.studio.db);
        const last = (await at.studio.db.changes.toArray()).length;
        await take(at, step);
        if ((await at.studio.db.changes.toArray()).length === last) return;
        const is = await readStudio(at.studio.db);
        await at.studio.undo();
        expect(bare(await readStudio(at.studio.db))).toEqual(bare(was));
        expect(await everyStanding(at.studio.db)).toEqual(standings);
        await at.studio.redo();
        expect(bare(await readStudio(at.studio.db))).toEqual(bare(is));
        undone += 1;
      }),
      { ...run, numRuns: 60 },
    );
    expect(undone).toBeGreaterThan(10);
  });
});

describe('devices that went apart', () => {
  it('merge to the same studio in either order; twice is once', async () => {
    let conflicts = 0;
    await fc.assert(
      fc.asyncProperty(steps(15), steps(15), steps(15), async (shared, mine, yours) => {
        const start = await desk('start');
        for (const s of shared) await take(start, s);
        const base = await readStudio(start.studio.db);
        const [one, two] = [await desk('one', base), await desk('two', base)];
        for (const s of mine) await take(one, s);
        for (const s of yours) await take(two, s);
        const [a, b] = [await readStudio(one.studio.db), await readStudio(two.studio.db)];
        await putStudio(one.studio.db, b, 'b', LATER);
        await putStudio(two.studio.db, a, 'a', LATER);
        const merged = await readStudio(one.studio.db);
        expect(await readStudio(two.studio.db)).toEqual(merged);
        await putStudio(one.studio.db, b, 'b', LATER);
        expect(await readStudio(one.studio.db)).toEqual(merged);
        conflicts += mergeStudios(a, b).conflicts.length;
      }),
      run,
    );
    expect(conflicts).toBeGreaterThan(0);
  });

  it('merge to the same studio in any grouping of three', async () => {
    await fc.assert(
      fc.asyncProperty(steps(10), steps(10), steps(10), steps(10), async (shared, x, y, z) => {
        const start = await desk('start');
        for (const s of shared) await take(start, s);
        const base = await readStudio(start.studio.db);
        const states: Studio[] = [];
        for (const [i, list] of [x, y, z].entries()) {
          const at = await desk(`device ${i}`, base);
          for (const s of list) await take(at, s);
          states.push(await readStudio(at.studio.db));
        }
        const [a, b, c] = states;
        if (!a || !b || !c) throw new Error('three states');
        const merge = (p: Studio, q: Studio): Studio => mergeStudios(p, q).studio;
        const left = merge(merge(a, b), c);
        expect(merge(a, merge(b, c))).toEqual(left);
        expect(merge(merge(c, a), b)).toEqual(left);
        expect(merge(left, b)).toEqual(left);
      }),
      run,
    );
  });

  it('a file that was brought in is taken back as one, and can be brought in again', async () => {
    await fc.assert(
      fc.asyncProperty(steps(15), steps(15), async (mine, yours) => {
        const start = await desk('start');
        const base = await readStudio(start.studio.db);
        const [one, two] = [await desk('one', base), await desk('two', base)];
        for (const s of mine) await take(one, s);
        for (const s of yours) await take(two, s);
        const { db } = one.studio;
        const was = await readStudio(db);
        const standings = await everyStanding(db);
        const b = await readStudio(two.studio.db);
        await putStudio(db, b, 'file', LATER);
        const is = await readStudio(db);
        expect(await one.studio.undo()).toBe('file');
        const back = await readStudio(db);
        expect(bare(back)).toEqual(bare(was));
        expect(back.events).toEqual(was.events);
        expect(await everyStanding(db)).toEqual(standings);
        await one.studio.redo();
        expect(bare(await readStudio(db))).toEqual(bare(is));
        await one.studio.undo();
        await putStudio(db, b, 'file', LATER);
        expect(bare(await readStudio(db))).toEqual(bare(is));
      }),
      {
        ...run,
        // Found by an earlier run: the time of a field that has none of its own goes back with that of the row.
        examples: [
          [
            [
              ['settings', 0, 0],
              ['finger', 0, 0],
            ],
            [
              ['finger', 0, 0],
              ['settings', 0, 15],
              ['finger', 0, 0],
            ],
          ],
        ],
      },
    );
  });
});
