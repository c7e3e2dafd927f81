import { describe, expect, it } from 'vitest';
import type { Level, StudioEvent } from '../studio';
import { foldEvents, standingKey } from './fold-events';
import { foldStanding, foldStandings } from './fold-standing';
import { isLevel, LEVEL_HEARD, LEVEL_NAMES } from './levels';

const at = (n: number): string => `2026-03-${String(n).padStart(2, '0')}T15:00:00.000Z`;
type LevelEvent = Extract<StudioEvent, { kind: 'level' }>;
const level = (id: string, day: number, to: Level, more: Partial<LevelEvent> = {}): LevelEvent => ({
  id,
  at: at(day),
  kind: 'level',
  studentId: 's',
  pieceId: 'p',
  sectionId: 'a',
  level: to,
  proposed: null,
  tempo: null,
  note: '',
  ...more,
});
const rung = (id: string, day: number, rungId: string, done: boolean, sectionId = 'a'): StudioEvent => ({
  id,
  at: at(day),
  kind: 'rung',
  studentId: 's',
  pieceId: 'p',
  sectionId,
  rungId,
  done,
});
const joined = (id: string, day: number, sectionId: string, into: string): StudioEvent => ({
  id,
  at: at(day),
  kind: 'section-joined',
  pieceId: 'p',
  sectionId,
  into,
});
const fingering = (id: string, day: number, noteId: string, to: string): StudioEvent => ({
  id,
  at: at(day),
  kind: 'fingering',
  pieceId: 'p',
  noteId,
  before: '1',
  after: to,
});
const standing = (events: readonly StudioEvent[], section = 'a') =>
  foldEvents(events).standings.get(standingKey('s', section));

describe('facets', () => {
  it('stay known from the last time each was listened for', () => {
    const facets = standing([
      level('1', 1, 2, { facets: { notes: true, rhythm: false } }),
      level('2', 8, 2, { facets: { rhythm: true } }),
      level('3', 15, 3, { facets: { dynamics: false } }),
    ])?.facets;
    expect(facets).toEqual({ notes: true, rhythm: true, dynamics: false });
  });
});

describe('two records of one moment', () => {
  it('are put in order by their ids, on every device the same', () => {
    const a = level('a', 1, 1);
    const b = level('b', 1, 4);
    expect(standing([a, b])?.level).toBe(4);
    expect(standing([b, a])?.level).toBe(4);
    expect(standing([b, a, a])?.history.map((e) => e.id)).toEqual(['a', 'b']);
  });
});

describe('what the teacher chose', () => {
  it('overrules only where another level was proposed', () => {
    expect(standing([level('1', 1, 3, { proposed: 3 })])?.overruled).toBe(false);
    expect(standing([level('1', 1, 3)])?.overruled).toBe(false);
    expect(standing([level('1', 1, 4, { proposed: 3 })])?.overruled).toBe(true);
    expect(standing([level('1', 1, 4, { proposed: 3 }), level('2', 2, 3, { proposed: 3 })])?.overruled).toBe(false);
  });
});

describe('rungs', () => {
  it('count while they are ticked, and not once un-ticked', () => {
    const ticks = [rung('1', 1, 'r1', true), rung('2', 2, 'r2', true)];
    expect(foldStanding(ticks, 's', 'a')?.rungsDone).toEqual(['r1', 'r2']);
    expect(foldStanding([...ticks, rung('3', 3, 'r1', false)], 's', 'a')?.rungsDone).toEqual(['r2']);
    expect(foldStanding([rung('3', 3, 'r1', false), ...ticks], 's', 'a')?.rungsDone).toEqual(['r2']);
    expect(
      foldStanding([...ticks, rung('3', 3, 'r1', false), rung('4', 4, 'r1', true)], 's', 'a')?.rungsDone.toSorted(),
    ).toEqual(['r1', 'r2']);
  });
  it('give a standing without a level, and none once all are un-ticked', () => {
    expect(foldStanding([rung('1', 1, 'r1', true)], 's', 'a')).toEqual({
      key: 's a',
      studentId: 's',
      pieceId: 'p',
      sectionId: 'a',
      level: null,
      at: '',
      tempo: null,
      note: '',
      facets: {},
      overruled: false,
      proposed: null,
      hearings: [],
      fading: null,
      rungsDone: ['r1'],
    });
    expect(foldStandings([rung('1', 1, 'r1', true), rung('2', 2, 'r1', false)])).toEqual([]);
    expect(foldStanding([], 's', 'a')).toBeNull();
  });
  it('stay beside a level', () => {
    const both = [level('1', 1, 2), rung('2', 1, 'r1', true), rung('3', 2, 'r1', false)];
    expect(foldStandings(both)).toMatchObject([{ level: 2, rungsDone: [] }]);
    expect(foldStandings([level('1', 1, 2)])).toMatchObject([{ level: 2, rungsDone: [] }]);
    expect(foldStandings([level('1', 1, 2), rung('9', 1, 'r', true, 'b')]).map((s) => s.key)).toEqual(['s a', 's b']);
  });
});

describe('a kept standing', () => {
  it('holds all that the last hearing said', () => {
    const kept = foldStanding(
      [
        level('1', 1, 2, { lessonId: 'L', tempo: 50 }),
        level('2', 8, 4, { proposed: 3, tempo: 72, note: 'freer', facets: { joined: true } }),
      ],
      's',
      'a',
    );
    expect(kept).toMatchObject({
      level: 4,
      at: at(8),
      tempo: 72,
      note: 'freer',
      facets: { joined: true },
      overruled: true,
      proposed: 3,
      hearings: [
        [at(1), 2, 50, 'L'],
        [at(8), 4, 72, null],
      ],
    });
    expect(kept?.fading?.due).toBeTypeOf('string');
  });
});

describe('fingers changed after practice began', () => {
  it('are listed by note, oldest first', () => {
    const { fingerings } = foldEvents([
      fingering('3', 3, 'n1', '4'),
      fingering('1', 1, 'n1', '3'),
      fingering('2', 2, 'n2', '5'),
    ]);
    expect(fingerings.get('n1')?.map((e) => e.after)).toEqual(['3', '4']);
    expect(fingerings.get('n2')?.map((e) => e.after)).toEqual(['5']);
    expect(fingerings.size).toBe(2);
  });
});

describe('sections that were joined', () => {
  const two = [level('1', 1, 4), level('2', 2, 2, { sectionId: 'b' })];
  it('stand where the weaker of the two stood', () => {
    const stood = standing([...two, joined('j', 3, 'b', 'a')]);
    expect(stood).toMatchObject({ level: 2, sectionId: 'a', at: at(2) });
    const other = standing([level('1', 1, 1), level('2', 2, 3, { sectionId: 'b' }), joined('j', 3, 'b', 'a')]);
    expect(other).toMatchObject({ level: 1, sectionId: 'a', at: at(1) });
  });
  it('keep the first where both stand at the same level', () => {
    const same = standing([level('1', 1, 3), level('2', 2, 3, { sectionId: 'b' }), joined('j', 3, 'b', 'a')]);
    expect(same).toMatchObject({ level: 3, at: at(1) });
  });
  it('fall to the ground where a part was never heard, and nothing is made up where neither was', () => {
    expect(standing([level('1', 1, 4, { proposed: 3 }), joined('j', 3, 'b', 'a')])).toMatchObject({
      level: 0,
      overruled: false,
      at: at(1),
    });
    expect(standing([level('1', 1, 4, { sectionId: 'b' }), joined('j', 3, 'b', 'a')])).toBeUndefined();
    expect(standing([level('1', 1, 4, { sectionId: 'c' }), joined('j', 3, 'b', 'a')])).toBeUndefined();
  });
  it('stand as they are heard once they are heard as a whole', () => {
    expect(standing([...two, joined('j', 3, 'b', 'a'), level('3', 4, 5)])?.level).toBe(5);
    expect(standing([...two, joined('j', 1, 'b', 'a')])?.level).toBe(2);
  });
  it('are followed in the order in which they were joined', () => {
    const chain = [...two, level('3', 2, 1, { sectionId: 'c' }), joined('j2', 4, 'b', 'a'), joined('j1', 3, 'c', 'b')];
    expect(standing(chain)?.level).toBe(1);
  });
});

describe('a correction', () => {
  it('whose record is missing counts at its own time', () =>
    expect(standing([level('r', 9, 2, { corrects: 'unknown' })])).toMatchObject({ level: 2, at: at(9) }));
  it('moves to another section and leaves the first without', () => {
    const moved = [level('w', 1, 4), level('r', 9, 3, { corrects: 'w', sectionId: 'b' })];
    expect(standing(moved)).toBeUndefined();
    expect(standing(moved, 'b')).toMatchObject({ level: 3, at: at(1) });
  });
  it('in a ring with another ends', () => {
    const ring = [level('x', 1, 1, { corrects: 'y' }), level('y', 2, 2, { corrects: 'x' })];
    expect(standing(ring)).toBeUndefined();
    expect(standing([...ring, level('z', 3, 3, { corrects: 'x' })])?.level).toBe(3);
  });
});

describe('words about records', () => {
  it('count by the last of them, of which only one was taken back', () => {
    const e = level('1', 1, 2);
    const word = (id: string, day: number, kind: 'retract' | 'restore', target: string): StudioEvent => ({
      id,
      at: at(day),
      kind,
      target,
    });
    const gone = [e, word('a', 2, 'retract', '1'), word('b', 3, 'restore', '1'), word('c', 4, 'retract', '1')];
    expect(standing(gone)).toBeUndefined();
    expect(standing([...gone, word('d', 5, 'retract', 'c')])?.level).toBe(2);
    expect(
      standing([e, word('a', 2, 'retract', '1'), word('b', 3, 'retract', 'a'), word('c', 4, 'retract', 'b')]),
    ).toBe(undefined);
  });
});

describe('levels', () => {
  it('are six, 0 to 5, each with its name and what is heard', () => {
    expect([0, 1, 2, 3, 4, 5].every(isLevel)).toBe(true);
    expect([-1, 6, 2.5, NaN].some(isLevel)).toBe(false);
    expect(LEVEL_NAMES.length).toBe(6);
    expect(LEVEL_HEARD.length).toBe(6);
  });
});
