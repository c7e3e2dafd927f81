import { describe, expect, it } from 'vitest';
import { parseRow, parseStudio } from './parse-studio';
import { emptyStudio, type Student } from './schemas';

const student: Student = {
  id: 's',
  name: 'Noor',
  instrument: 'piano',
  age: '',
  handSpanInSemitones: null,
  breathSpanInSeconds: null,
  minutesPerDay: [0, 0, 0, 0, 0, 0, 0],
  order: 1,
  updatedAt: '2026-05-20T15:00:00.000Z',
  touched: { id: '2026-05-20T15:00:00.000Z' },
};
const said = (id: string, at: string, text: string) => ({ id, at, kind: 'said', studentId: 's', lessonId: 'L', text });

describe('a studio out of anything', () => {
  it('is none without lists', () => {
    expect([null, 3, 'text', [], {}, { pieces: 3 }].map(parseStudio)).toEqual([null, null, null, null, null, null]);
    expect(parseStudio({ pieces: [] })).toEqual(emptyStudio());
  });
  it('keeps what is sound, and each row that is not as it is, with where it is wrong', () => {
    const wrong = { ...student, id: 't', minutesPerDay: [0, 0, 0, 0, 0, 0, -5] };
    const studio = parseStudio({ students: [student, wrong, 7], events: [said('e', 'not a time', 'x')] });
    expect(studio?.students).toEqual([student]);
    expect(studio?.events).toEqual([]);
    expect(studio?.damaged.map((d) => [d.table, d.row])).toEqual(
      expect.arrayContaining([
        ['students', wrong],
        ['students', 7],
        ['events', said('e', 'not a time', 'x')],
      ]),
    );
    expect(studio?.damaged.find((d) => d.row === 7 || d.row === wrong)?.why.length).toBeGreaterThan(5);
    expect(studio?.damaged.find((d) => (d.row as { id?: string }).id === 't')?.why).toContain('minutesPerDay → 6');
  });
  it('holds the same when it is read again, damaged rows too', () => {
    const once = parseStudio({
      students: [student, 7],
      events: [said('b', student.updatedAt, ''), said('a', student.updatedAt, '')],
    });
    expect(parseStudio(once)).toEqual(once);
    expect(once?.events.map((e) => e.id)).toEqual(['a', 'b']);
  });
  it('has one row and one record an id, by the rules of merging', () => {
    const later = {
      ...student,
      name: 'Noora',
      updatedAt: '2026-05-21T15:00:00.000Z',
      touched: { id: student.updatedAt, name: '2026-05-21T15:00:00.000Z' },
    };
    const studio = parseStudio({
      students: [later, student],
      events: [said('e', '2026-05-21T15:00:00.000Z', 'b'), said('e', '2026-05-20T15:00:00.000Z', 'a')],
    });
    expect(studio?.students.map((s) => s.name)).toEqual(['Noora']);
    expect(studio?.events).toMatchObject([{ text: 'b' }]);
    expect(studio?.aside).toMatchObject([{ record: { text: 'a' } }]);
  });
  it('leaves a row out that was taken away later, and keeps what it held', () => {
    const removal = { id: 'students s', table: 'students', at: '2026-05-22T15:00:00.000Z', row: student };
    const studio = parseStudio({ students: [student], removed: [removal] });
    expect(studio?.students).toEqual([]);
    expect(studio?.removed).toEqual([removal]);
    const broken = parseStudio({
      students: [],
      removed: [
        { ...removal, row: { id: 's' } },
        { ...removal, row: null },
      ],
    });
    expect(broken?.damaged.map((d) => d.table)).toEqual(['removed students']);
  });
  it('has its settings once', () => {
    const settings = {
      id: 'studio',
      name: '',
      barWord: 'bar',
      noteNames: 'american',
      lastBackupAt: null,
      updatedAt: student.updatedAt,
    };
    expect(parseStudio({ settings: [settings, { ...settings, id: 'other' }] })?.settings.length).toBe(1);
  });
});

it('a row is parsed against its own table', () => {
  expect(parseRow('students', student)).toEqual({ row: student });
  expect(parseRow('pieces', student)).toHaveProperty('why');
});
