import { describe, expect, it } from 'vitest';
import { emptyStudio, type Removal, type Student, type Studio } from './schemas';
import type { StudioEvent } from './kinds/records';
import { asStored, byId, isThere, joinRecords, keptRows, mergeKept, mergeRecords, mergeStudios } from './merge-studio';

const at = (n: number): string => `2026-05-${String(n).padStart(2, '0')}T15:00:00.000Z`;
const student = (id: string, name: string, when: number, touched?: Record<string, string>): Student => ({
  id,
  name,
  instrument: 'piano',
  age: '',
  handSpanInSemitones: null,
  breathSpanInSeconds: null,
  minutesPerDay: [0, 0, 0, 0, 0, 0, 0],
  order: 1,
  updatedAt: at(when),
  touched: touched ?? { id: at(1), name: at(when) },
});
const removal = (id: string, when: number, row: unknown): Removal => ({
  id: `students ${id}`,
  table: 'students',
  at: at(when),
  row,
});
const said = (id: string, when: number, text: string): StudioEvent => ({
  id,
  at: at(when),
  kind: 'said',
  studentId: 's',
  lessonId: 'L',
  text,
});
const studio = (more: Partial<Studio>): Studio => ({ ...emptyStudio(), ...more });

describe('two studios as one', () => {
  it('have each thing once, by id', () => {
    const { studio: both, conflicts } = mergeStudios(
      studio({ students: [student('b', 'Bo', 1)] }),
      studio({ students: [student('a', 'Al', 1), student('b', 'Bo', 1)] }),
    );
    expect(both.students.map((s) => s.id)).toEqual(['a', 'b']);
    expect(conflicts).toEqual([]);
  });
  it('keep the later of two names and list the other', () => {
    const mine = studio({ students: [student('a', 'Al', 2)] });
    const yours = studio({ students: [student('a', 'Alma', 3)] });
    for (const [x, y] of [
      [mine, yours],
      [yours, mine],
    ] as const) {
      const merged = mergeStudios(x, y);
      expect(merged.studio.students.map((s) => s.name)).toEqual(['Alma']);
      expect(merged.conflicts).toEqual([
        { kind: 'field', table: 'students', id: 'a', field: 'name', kept: 'Alma', lost: 'Al' },
      ]);
    }
  });
  it('do not quarrel about what each browser has for itself', () => {
    const settings = (lastBackupAt: string, when: number): Studio['settings'] => [
      {
        id: 'studio',
        name: '',
        barWord: 'bar',
        noteNames: 'american',
        lastBackupAt,
        updatedAt: at(when),
        touched: { id: at(1), lastBackupAt: at(when) },
      },
    ];
    expect(
      mergeStudios(studio({ settings: settings(at(2), 2) }), studio({ settings: settings(at(3), 3) })).conflicts,
    ).toEqual([]);
  });
});

describe('a removal', () => {
  const there = student('a', 'Al', 2);
  it('travels, with what was taken away', () => {
    const merged = mergeStudios(studio({ students: [there] }), studio({ removed: [removal('a', 5, there)] }));
    expect(merged.studio.students).toEqual([]);
    expect(merged.studio.removed).toEqual([removal('a', 5, there)]);
    expect(merged.conflicts).toEqual([]);
  });
  it('loses against a later change elsewhere, which is listed', () => {
    const merged = mergeStudios(
      studio({ students: [student('a', 'Alma', 7)] }),
      studio({ removed: [removal('a', 5, there)] }),
    );
    expect(merged.studio.students.map((s) => s.name)).toEqual(['Alma']);
    expect(merged.studio.removed).toEqual([removal('a', 5, null)]);
    expect(merged.conflicts).toEqual([{ kind: 'kept', table: 'students', id: 'a' }]);
  });
  it('counts by the later of two', () => {
    const kept = (when: number | null) => ({ row: there, removedAt: when === null ? null : at(when) });
    expect(mergeKept('students', kept(3), kept(5)).kept.removedAt).toBe(at(5));
    expect(mergeKept('students', kept(5), kept(3)).kept.removedAt).toBe(at(5));
    expect(mergeKept('students', kept(null), kept(3)).kept.removedAt).toBe(at(3));
    expect(mergeKept('students', kept(3), kept(null)).kept.removedAt).toBe(at(3));
    expect(isThere(kept(null))).toBe(true);
    expect(isThere(kept(2))).toBe(false);
    expect(isThere(kept(1))).toBe(true);
  });
  it('without content is one of a row that is there', () => {
    const rows = keptRows('students', [there], [removal('a', 1, null), removal('other', 9, null)]);
    expect([...rows]).toEqual([['a', { row: there, removedAt: at(1) }]]);
    expect(keptRows('students', [there], [removal('a', 1, null), removal('a', 4, null)]).get('a')?.removedAt).toBe(
      at(4),
    );
    expect(keptRows('students', [there], [removal('a', 4, null), removal('a', 1, null)]).get('a')?.removedAt).toBe(
      at(4),
    );
    expect(keptRows('pieces', [], [removal('a', 1, there)]).size).toBe(0);
  });
  it('is stored with its row only while that is gone', () => {
    expect(asStored('students', { row: there, removedAt: at(5) })).toEqual({
      row: null,
      removal: removal('a', 5, there),
    });
    expect(asStored('students', { row: there, removedAt: at(1) })).toEqual({
      row: there,
      removal: removal('a', 1, null),
    });
    expect(asStored('students', { row: there, removedAt: null })).toEqual({ row: there, removal: null });
  });
  it('of a row that stands twice in one file is of both as one', () => {
    const twice = keptRows('students', [student('a', 'Al', 2), student('a', 'Alma', 3)], []);
    expect(twice.get('a')?.row).toMatchObject({ name: 'Alma' });
    expect(twice.size).toBe(1);
  });
});

describe('two records under one id', () => {
  it('stand by time, then by text, whichever comes first', () => {
    const early = said('x', 2, 'early');
    const late = said('x', 3, 'a late one');
    expect(mergeRecords(early, late).stands).toBe(late);
    expect(mergeRecords(late, early).stands).toBe(late);
    expect(mergeRecords(early, late).aside?.record).toBe(early);
    const one = said('x', 2, 'a');
    const two = said('x', 2, 'b');
    expect(mergeRecords(one, two).stands).toBe(two);
    expect(mergeRecords(two, one).stands).toBe(two);
    expect(mergeRecords(one, { ...one }).aside).toBeNull();
  });
  it('leave the other one aside and say so once', () => {
    const merged = mergeStudios(studio({ events: [said('x', 2, 'a')] }), studio({ events: [said('x', 3, 'b')] }));
    expect(merged.studio.events).toEqual([said('x', 3, 'b')]);
    expect(merged.studio.aside.map((s) => s.record)).toEqual([said('x', 2, 'a')]);
    expect(merged.conflicts).toEqual([{ kind: 'record', id: 'x' }]);
    const again = mergeStudios(merged.studio, studio({ events: [said('x', 2, 'a')] }));
    expect(again.studio).toEqual(merged.studio);
    expect(again.conflicts).toEqual([]);
  });
  it('are not aside any more once they stand', () => {
    const aside = mergeStudios(studio({ events: [said('x', 2, 'a')] }), studio({ events: [said('x', 3, 'b')] })).studio;
    const here = studio({ events: [said('x', 4, 'c')] });
    const merged = mergeStudios(aside, here).studio;
    expect(merged.events).toEqual([said('x', 4, 'c')]);
    expect(merged.aside.map((s) => s.record).sort((p, q) => (p.at < q.at ? -1 : 1))).toEqual([
      said('x', 2, 'a'),
      said('x', 3, 'b'),
    ]);
  });
  it('within one list are told, too', () => {
    const joined = joinRecords([said('x', 2, 'a'), said('x', 3, 'b'), said('a', 1, '')]);
    expect(joined.events.map((e) => e.id)).toEqual(['a', 'x']);
    expect(joined.aside.length).toBe(1);
  });
});

it('comes in the order of ids', () =>
  expect(byId([{ id: 'b' }, { id: 'a' }, { id: 'c' }]).map((x) => x.id)).toEqual(['a', 'b', 'c']));
