import { describe, expect, it } from 'vitest';
import { ladderId, placeId } from './identity';
import { MOST } from './limits';
import { ladderWithPlace, markWithPlace, upgradeStudio, type LooseStudio } from './upgrade-studio';

const AT = '2026-03-01T10:00:00.000Z';
const LATER = '2026-03-02T10:00:00.000Z';
const upgrade = (old: LooseStudio, zone = 'UTC') => upgradeStudio(old, zone);
const finger = (id: string, value: string, updatedAt: string, more: object = {}) => ({
  id,
  pieceId: 'p',
  studentId: null,
  source: 'teacher',
  kind: 'finger',
  noteId: 'n1',
  finger: value,
  updatedAt,
  ...more,
});
const lesson = (id: string, at: string, studentId = 's') => ({ id, at, kind: 'lesson', studentId, minutes: 30 });

describe('times', () => {
  it('are written as this version writes them; what is no time stays for the check afterwards', () => {
    const { studio } = upgrade({
      sections: [
        { id: 'a', updatedAt: '2026-03-01T12:00:00+02:00', touched: { name: '2026-03-01T10:00:00Z', odd: 'soon' } },
        { id: 'b', updatedAt: 'never' },
      ],
      events: [{ id: 'e', at: '2026-03-01T10:00:00Z', kind: 'other' }],
    });
    expect(studio['sections']).toEqual([
      { id: 'a', updatedAt: AT, touched: { name: AT, odd: 'soon' } },
      { id: 'b', updatedAt: 'never' },
    ]);
    expect(studio['events']).toEqual([{ id: 'e', at: AT, kind: 'other' }]);
  });
});

describe('pieces and students', () => {
  it('get their instrument by id, with the teacher’s own words where they say more', () => {
    const { studio } = upgrade({
      pieces: [{ id: 'p', title: 'x', composer: 'y', instrument: 'Flute', addedAt: AT, updatedAt: AT }],
      students: [{ id: 's', name: 'Wren', instrument: 'glass harmonica', updatedAt: AT }],
    });
    expect(studio['pieces']).toMatchObject([{ instrument: 'flute' }]);
    expect(studio['students']).toMatchObject([{ instrument: 'other', instrumentWords: 'glass harmonica' }]);
  });
  it('keep titles as long as a title may be', () => {
    const { studio } = upgrade({
      pieces: [{ id: 'p', title: 'a'.repeat(900), composer: 'b'.repeat(900), instrument: 'piano' }],
    });
    const [piece] = studio['pieces'] ?? [];
    expect(String(piece?.['title']).length).toBe(MOST.title);
    expect(String(piece?.['composer']).length).toBe(MOST.title);
  });
});

describe('marks', () => {
  it('get their ids from their places; of two at one place the later stands, and that is said', () => {
    const { studio, listed } = upgrade({ marks: [finger('x', '1', AT), finger('y', '2', LATER)] });
    expect(studio['marks']).toMatchObject([{ id: markWithPlace(finger('x', '1', AT))['id'], finger: '2' }]);
    expect(listed).toEqual(['Two marks at one place: finger 2 stands, finger 1 does not.']);
  });
  it('that came earlier in the list stand when they are as late', () => {
    const { studio } = upgrade({ marks: [finger('x', '1', AT), finger('y', '2', AT)] });
    expect(studio['marks']).toMatchObject([{ finger: '1' }]);
  });
  it('that say the same are joined without a word', () => {
    expect(upgrade({ marks: [finger('x', '1', AT), finger('y', '1', LATER)] }).listed).toEqual([]);
  });
  it('at other notes, of other variants, or that are no marks of ours stay as they are', () => {
    const rows = [
      finger('x', '1', AT),
      finger('y', '2', AT, { noteId: 'n2' }),
      finger('z', '3', AT, { variant: 'simple' }),
      { id: 'odd', kind: 'never heard of' },
    ];
    const { studio, listed } = upgrade({ marks: rows });
    expect(studio['marks']).toHaveLength(4);
    expect(studio['marks']?.[3]).toEqual({ id: 'odd', kind: 'never heard of' });
    expect(listed).toEqual([]);
  });
});

describe('ladders', () => {
  const ladder = (id: string, updatedAt: string, rungs: readonly object[], more: object = {}) => ({
    id,
    sectionId: 'a',
    pieceId: 'p',
    updatedAt,
    rungs,
    ...more,
  });
  it('get their id from their section', () =>
    expect(ladderWithPlace(ladder('old', AT, []))).toMatchObject({ id: ladderId('a') }));
  it('of one section are joined: the later stands, with what only the other has on top', () => {
    const { studio, listed } = upgrade({
      ladders: [
        ladder('new', LATER, [{ id: 'r1', key: 'tap' }, { id: 'r2' }], { removed: ['stops'] }),
        ladder('old', AT, [
          { id: 'r2' },
          { id: 'r3', key: 'tap' },
          { id: 'r4', key: 'stops' },
          { id: 'r5', key: 'run' },
          { id: 'mine' },
        ]),
      ],
    });
    expect(studio['ladders']).toMatchObject([
      {
        id: ladderId('a'),
        removed: ['stops'],
        rungs: [{ id: 'r1' }, { id: 'r2' }, { id: 'r5' }, { id: 'mine' }],
      },
    ]);
    expect(listed).toEqual(['A section had two ladders: the later one stands, with 2 rungs that only the other had.']);
  });
  it('keep what was removed from either', () => {
    const { studio } = upgrade({
      ladders: [
        ladder('one', AT, [{ id: 'r', key: 'run' }], { removed: ['tap'] }),
        ladder('two', LATER, [], { removed: ['run', 'tap'] }),
      ],
    });
    expect(studio['ladders']).toMatchObject([{ removed: ['run', 'tap'], rungs: [] }]);
  });
  it('of other sections stay apart', () =>
    expect(
      upgrade({ ladders: [ladder('one', AT, []), { ...ladder('two', AT, []), sectionId: 'b' }] }).studio['ladders'],
    ).toHaveLength(2));
});

describe('lessons that midnight in UTC cut in two', () => {
  const LA = 'America/Los_Angeles';
  // 16:30 and 17:10 in Los Angeles in winter: 00:30 and 01:10 of the next day in UTC; begun at 15:50, 23:50 in UTC.
  const before = lesson('one', '2026-01-12T23:50:00.000Z');
  const after = lesson('two', '2026-01-13T00:30:00.000Z');
  const joined = (events: readonly object[], zone = LA) => {
    const { studio, listed } = upgrade(
      { events: events as LooseStudio['events'] & readonly object[] } as LooseStudio,
      zone,
    );
    return { joins: (studio['events'] ?? []).filter((e) => e['kind'] === 'lesson-joined'), listed };
  };
  it('are one again, and that is said with the day where the studio is', () => {
    const { joins, listed } = joined([after, before]);
    expect(joins).toEqual([
      {
        id: placeId('lesson-joined', 'two'),
        at: after.at,
        kind: 'lesson-joined',
        studentId: 's',
        lessonId: 'two',
        into: 'one',
      },
    ]);
    expect(listed).toEqual([
      expect.stringMatching(/^A lesson on .*12 Jan.* was cut in two at midnight; it is one again\.$/),
    ]);
  });
  it('are two where they lie on one day in UTC, on two days here, hours apart, or are of two students', () => {
    expect(joined([before, after], 'UTC').joins).toEqual([]);
    expect(joined([lesson('a', '2026-01-13T00:10:00.000Z'), lesson('b', '2026-01-13T00:50:00.000Z')]).joins).toEqual(
      [],
    );
    expect(joined([lesson('a', '2026-01-12T21:00:00.000Z'), lesson('b', '2026-01-13T00:00:00.000Z')]).joins).toEqual(
      [],
    );
    expect(joined([before, lesson('two', after.at, 't')]).joins).toEqual([]);
  });
  it('are joined to the first of them, however often they were cut', () => {
    const third = lesson('three', '2026-01-13T01:10:00.000Z');
    expect(joined([before, after, third]).joins.map((j) => [j['lessonId'], j['into']])).toEqual([
      ['two', 'one'],
      ['three', 'one'],
    ]);
  });
});

describe('practice', () => {
  const log = (id: string, at: string, day: string) => ({ id, at, day, kind: 'practice', studentId: 's' });
  it('stands on the day where the studio is; how many moved is said', () => {
    const { studio, listed } = upgrade(
      {
        events: [
          log('a', '2026-01-13T02:00:00.000Z', '2026-01-13'),
          log('b', '2026-01-13T20:00:00.000Z', '2026-01-13'),
          log('c', 'no time', '2026-01-13'),
        ],
      },
      'America/Los_Angeles',
    );
    expect(studio['events']?.map((e) => e['day'])).toEqual(['2026-01-12', '2026-01-13', '2026-01-13']);
    expect(listed).toEqual(['1 practice log stands on another day now: the day where you are, America/Los_Angeles.']);
  });
});

describe('the rest', () => {
  it('is there, with a zone where there was none, and empty lists for what is new', () => {
    const { studio, listed } = upgrade(
      { settings: [{ id: 'studio' }, { id: 'other', zone: 'Pacific/Auckland' }], templates: [{ id: 't' }] },
      'Europe/Oslo',
    );
    expect(studio['settings']).toEqual([
      { id: 'studio', zone: 'Europe/Oslo' },
      { id: 'other', zone: 'Pacific/Auckland' },
    ]);
    expect(studio['templates']).toEqual([{ id: 't' }]);
    expect([studio['removed'], studio['aside'], studio['damaged'], studio['pages']]).toEqual([[], [], [], []]);
    expect(listed).toEqual([]);
  });
});
