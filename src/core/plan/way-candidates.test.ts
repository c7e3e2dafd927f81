import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { analysisOf } from '../analysis';
import { does, EIGHT, piece, puts, section, standing } from '../commands/stored-for-tests';
import { takeWay } from '../commands';
import type { StudentLevel } from '../ladder';
import type { FoldedStanding } from '../mastery';
import { placeSections } from '../sections';
import type { Ladder, Level, Section, StoredWay } from '../studio';
import { keptShapes, kindOf, NEW_CHUNKS_A_WEEK, proposeWay, walkedWay } from '../way';
import { wayCandidates } from './way-candidates';
import { LEAST_MINUTES } from './way-work';
import { fillTray } from './week-tray';

const NOW = '2026-05-20T15:00:00.000Z';
const KEPT = [section('a', 0, 3), section('b', 4, 7)];
const analysis = analysisOf(EIGHT);

/** The way of the eight bars at a level, as it is kept. */
function workAt(level: StudentLevel) {
  const way = proposeWay(
    { ...analysis, played: EIGHT, sections: keptShapes(EIGHT, placeSections(EIGHT, KEPT), analysis.sections) },
    { level, school: null },
  );
  const outcome = does(
    takeWay,
    { pieces: [piece()], sections: KEPT },
    { pieceId: 'p', score: EIGHT, steps: way.steps },
  );
  const rows = [...KEPT, ...(puts(outcome, 'sections') as unknown as Section[])];
  const ways = puts(outcome, 'ways') as unknown as StoredWay[];
  return {
    piece: piece({ title: 'Lamps', targetTempo: 80 }),
    score: EIGHT,
    places: walkedWay(ways, placeSections(EIGHT, rows), undefined, null) ?? [],
    ladders: puts(outcome, 'ladders') as unknown as Ladder[],
  };
}
const WORK = { beginner: workAt('beginner'), intermediate: workAt('intermediate'), advanced: workAt('advanced') };
const weekOf = (level: StudentLevel, standings: readonly FoldedStanding[] = []) => ({
  studentId: 's',
  standings: new Map(standings.map((s) => [s.key, s])),
  now: NOW,
  level,
  overhead: 3,
  minutesAWeek: 60,
  tasks: 5,
});
const of = (level: StudentLevel, standings: readonly FoldedStanding[] = []) =>
  wayCandidates(WORK[level], weekOf(level, standings));

describe('the week of a way', () => {
  it('begins with the first chunks; a beginner gets two new ones, what is like them, and the joins', () => {
    const { candidates, later } = of('beginner');
    expect(candidates.map((c) => c.what)).toEqual([
      // Bar 2 is bar 1 a fifth higher: not new, and no task of its own.
      expect.stringMatching(/^Lamps, bar 1: Check how you sit .*; then bar 2, the same as bar 1, a fifth higher$/),
      expect.stringMatching(/^Lamps, bar 3: Tap the rhythm/),
      'Lamps, the joins 1 into 2, 2 into 3: through without a stop',
    ]);
    expect(later[0]).toMatchObject({ what: 'Lamps, bar 4', week: 2 });
  });
  it('follows the way only as far as the week has room: no join of a chunk that has to wait', () => {
    const { candidates, later } = wayCandidates(WORK.beginner, { ...weekOf('beginner', []), tasks: 2 });
    expect(candidates.map((c) => c.what.split(':')[0])).toEqual(['Lamps, bar 1', 'Lamps, the join 1 into 2']);
    expect(later[0]?.what).toBe('Lamps, bar 3');
  });
  it('puts a line together late in the week in which its chunks are begun, and any time when they are known', () => {
    const line = (standings: readonly FoldedStanding[]) =>
      wayCandidates(WORK.intermediate, { ...weekOf('intermediate', standings), tasks: 9 }).candidates.find((c) =>
        c.what.startsWith('Lamps, A 1–4'),
      );
    expect(line([])?.late).toBe(true);
    const chunks = WORK.intermediate.places.filter((p) => kindOf(p.section) === 'chunk');
    expect(line(chunks.map((p) => standing('s', p.section.id, 2)))?.late).toBe(false);
  });
  it('goes on where the student stands', () => {
    const [first] = WORK.intermediate.places;
    const { candidates } = of('intermediate', [standing('s', first?.section.id ?? '', 2)]);
    expect(candidates.some((c) => c.sectionId === first?.section.id && c.key.startsWith('place'))).toBe(false);
    expect(candidates.some((c) => c.what.includes('bars 3–4'))).toBe(true);
  });
  it('ends with something that goes well, and has a check on one day only', () => {
    const old = {
      ...standing('s', 'a', 4),
      at: '2026-01-10T15:00:00.000Z',
      fading: { due: '2026-01-20T15:00:00.000Z', stabilityInDays: 2 },
    };
    const { candidates } = of('intermediate', [old]);
    const check = candidates.find((c) => c.kind === 'check');
    expect(check).toMatchObject({
      what: 'Check Lamps, A 1–4: once from cold',
      days: 1,
      by: '',
      why: 'it may be fading',
    });
    const { items } = fillTray(candidates, [60, 60, 60, 60, 60, 60, 60]);
    expect(items[items.length - 1]?.what).toBe('Lamps, A 1–4: through once, for the joy of it');
  });
  it('never asks a chunk to be checked in a section that is joined', () => {
    const places = WORK.intermediate.places.filter((p) => p.inside === 'a');
    const due = (id: string, level: Level) => ({
      ...standing('s', id, level),
      at: '2026-01-10T15:00:00.000Z',
      fading: { due: '2026-01-20T15:00:00.000Z', stabilityInDays: 2 },
    });
    const chunks = places.map((p) => due(p.section.id, 2));
    const checked = (list: readonly FoldedStanding[]) =>
      of('intermediate', list)
        .candidates.filter((c) => c.kind === 'check')
        .map((c) => c.sectionId);
    expect(checked(chunks).length).toBeGreaterThan(0);
    expect(checked([...chunks, standing('s', 'a', 3)])).toEqual([]);
  });
});

describe('laws of the week of a way', () => {
  const levels = fc.constantFrom<StudentLevel>('beginner', 'intermediate', 'advanced');
  const heard = fc.array(fc.constantFrom<Level | null>(null, 0, 1, 2, 3), { minLength: 20, maxLength: 20 });
  const minutes = fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 7, maxLength: 7 });
  it('it never exceeds the minutes, never offers what is done, and never more new chunks than the level bears', () => {
    fc.assert(
      fc.property(levels, heard, minutes, (level, known, perDay) => {
        const { places } = WORK[level];
        const standings = places.flatMap((p, i) => {
          const l = known[i] ?? null;
          return l === null ? [] : [standing('s', p.section.id, l)];
        });
        const { candidates } = of(level, standings);
        const tray = fillTray(candidates, perDay);
        tray.planned.forEach((planned, day) => expect(planned).toBeLessThanOrEqual(perDay[day] ?? 0));
        const levelOf = new Map(standings.map((s) => [s.sectionId, s.level ?? 0]));
        const fresh = candidates.filter((c) => {
          const place = places.find((p) => p.section.id === c.sectionId);
          if (!c.key.startsWith('place') || !place) return false;
          const at = levelOf.get(place.section.id) ?? 0;
          expect(at).toBeLessThan(kindOf(place.section) === 'section' || kindOf(place.section) === 'piece' ? 4 : 3);
          return kindOf(place.section) === 'chunk' && at === 0 && place.section.likeId === null;
        });
        expect(fresh.length).toBeLessThanOrEqual(NEW_CHUNKS_A_WEEK[level]);
        expect(candidates.filter((c) => /^(place|joins) /.test(c.key)).length).toBeLessThanOrEqual(5);
        for (const c of candidates.filter((x) => x.key.startsWith('place')))
          expect(c.minutes).toBeGreaterThanOrEqual(LEAST_MINUTES);
        expect(new Set(candidates.map((c) => c.key)).size).toBe(candidates.length);
      }),
      { numRuns: 150 },
    );
  });
});
