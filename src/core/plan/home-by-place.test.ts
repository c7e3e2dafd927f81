import { describe, expect, it } from 'vitest';
import { homeByPlace } from './home-by-place';
import { practised } from './records-for-tests';

describe('what was practised, place by place', () => {
  const log = (day: string, minutes: number, more: object = {}) => ({ ...practised(day, minutes), ...more });
  it('is added up for each place, the longest first', () => {
    const [first, second] = homeByPlace([
      log('2026-05-18', 5, { sectionId: 'a', times: 4, right: 3, row: 2, ticks: 1, tempo: 60 }),
      log('2026-05-19', 20, { sectionId: 'b' }),
      log('2026-05-20', 8, { sectionId: 'a', times: 6, right: 6, row: 6, ticks: 2, tempo: 66 }),
    ]);
    expect(first).toMatchObject({ sectionId: 'b', minutes: 20, row: null, ticks: 0 });
    expect(second).toMatchObject({
      sectionId: 'a',
      minutes: 13,
      days: 2,
      judged: 10,
      right: 9,
      row: 6,
      ticks: 3,
      fastest: 66,
    });
  });
  it('keeps what was written, once each, and what is of no piece by itself', () => {
    const places = homeByPlace([
      log('2026-05-18', 5, { note: 'Hard.' }),
      log('2026-05-19', 5, { note: 'Hard.' }),
      log('2026-05-19', 2, { pieceId: null, note: 'Clapped.' }),
    ]);
    expect(places.map((p) => [p.pieceId, p.notes])).toEqual([
      ['p', ['Hard.']],
      [null, ['Clapped.']],
    ]);
    expect(homeByPlace([])).toEqual([]);
  });
});
