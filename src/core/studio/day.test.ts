import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  agoInWords,
  clockOf,
  dayAfter,
  dayInWords,
  dayOf,
  daysBetween,
  isZone,
  mondayOf,
  shortDay,
  timeOn,
  weekdayOf,
} from './day';

// Offsets and changes of daylight saving are facts of the IANA time zone database (tzdata 2025b): the United States
// change on the second Sunday of March and the first of November, New Zealand on the last Sunday of September and the
// first of April.
describe('the day of a time', () => {
  it('is the day where the studio is', () => {
    expect(dayOf('2026-05-19T11:50:00.000Z', 'Pacific/Auckland')).toBe('2026-05-19'); // 23:50
    expect(dayOf('2026-05-19T12:05:00.000Z', 'Pacific/Auckland')).toBe('2026-05-20'); // 00:05
    expect(dayOf('2026-05-18T23:40:00.000Z', 'America/Los_Angeles')).toBe('2026-05-18'); // 16:40
    expect(dayOf('2026-05-19T00:05:00.000Z', 'America/Los_Angeles')).toBe('2026-05-18'); // 17:05
    expect(dayOf('2026-05-19T00:05:00.000Z+0003', 'UTC')).toBe('2026-05-19');
  });
  it('is the same on both sides of a change of daylight saving', () => {
    // 8 March 2026, 02:00 becomes 03:00 in New York; 1 November 2026, 02:00 becomes 01:00.
    expect(['2026-03-08T06:30:00.000Z', '2026-03-08T07:30:00.000Z'].map((t) => clockOf(t, 'America/New_York'))).toEqual(
      ['01:30', '03:30'],
    );
    expect(['2026-11-01T05:30:00.000Z', '2026-11-01T06:30:00.000Z'].map((t) => clockOf(t, 'America/New_York'))).toEqual(
      ['01:30', '01:30'],
    );
    for (const t of ['2026-03-08T05:00:00.000Z', '2026-03-09T03:59:00.000Z'])
      expect(dayOf(t, 'America/New_York')).toBe('2026-03-08');
    for (const t of ['2026-11-01T04:00:00.000Z', '2026-11-02T04:59:00.000Z'])
      expect(dayOf(t, 'America/New_York')).toBe('2026-11-01');
    expect(daysBetween('2026-03-07', '2026-03-09')).toBe(2);
    // 27 September 2026 in Auckland has 23 hours.
    expect(dayOf('2026-09-26T12:00:00.000Z', 'Pacific/Auckland')).toBe('2026-09-27');
    expect(dayOf('2026-09-27T10:59:00.000Z', 'Pacific/Auckland')).toBe('2026-09-27');
    expect(dayOf('2026-09-27T11:00:00.000Z', 'Pacific/Auckland')).toBe('2026-09-28');
  });
  it('is found again from a clock time', () => {
    expect(timeOn('2026-05-20', '16:00', 'America/New_York')).toBe('2026-05-20T20:00:00.000Z');
    expect(timeOn('2026-12-20', '16:00', 'America/New_York')).toBe('2026-12-20T21:00:00.000Z');
    const zones = fc.constantFrom(
      'UTC',
      'Pacific/Auckland',
      'America/Los_Angeles',
      'Asia/Kolkata',
      'America/St_Johns',
      'Europe/Lisbon',
    );
    fc.assert(
      fc.property(zones, fc.integer({ min: 0, max: 3000 }), fc.integer({ min: 4, max: 23 }), (zone, days, hour) => {
        const day = dayAfter('2020-01-01', days);
        const clock = `${String(hour).padStart(2, '0')}:30`;
        const time = timeOn(day, clock, zone);
        expect([dayOf(time, zone), clockOf(time, zone)]).toEqual([day, clock]);
      }),
    );
  });
});

describe('days and weeks', () => {
  it('count on over months, leap years and years', () => {
    expect(dayAfter('2028-02-28', 1)).toBe('2028-02-29');
    expect(dayAfter('2026-12-31', 1)).toBe('2027-01-01');
    expect(dayAfter('2026-03-01', -1)).toBe('2026-02-28');
    fc.assert(
      fc.property(
        fc.integer({ min: -4000, max: 4000 }),
        (n) => daysBetween('2026-05-20', dayAfter('2026-05-20', n)) === n,
      ),
    );
  });
  it('begin on Monday', () => {
    expect(['2026-05-18', '2026-05-20', '2026-05-24'].map(mondayOf)).toEqual([
      '2026-05-18',
      '2026-05-18',
      '2026-05-18',
    ]);
    expect(['2026-05-18', '2026-05-24'].map(weekdayOf)).toEqual([0, 6]);
  });
  it('are said in words', () => {
    expect(dayInWords('2026-05-20')).toBe('Wednesday 20 May 2026');
    expect(shortDay('2026-05-02')).toBe('2 May 2026');
    // As Unicode's CLDR writes days.
    expect(shortDay('2026-05-02', 'de')).toBe('2. Mai 2026');
    expect(dayInWords('2026-05-20', 'fr')).toBe('mercredi 20 mai 2026');
    expect(['2026-05-20', '2026-05-19', '2026-05-01', '2026-06-01'].map((d) => agoInWords(d, '2026-05-20'))).toEqual([
      'today',
      'yesterday',
      '19 days ago',
      'today',
    ]);
  });
  it('know a zone from a name that is none', () =>
    expect(['Pacific/Auckland', 'UTC', 'Atlantis', ''].map(isZone)).toEqual([true, true, false, false]));
});
