import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mondayOf } from '../studio';
import { practiceWeeks } from './practice-weeks';
import { daysInWords, recapText } from './recap';
import { practised } from './records-for-tests';
import { fillTray, risesTooFast, type Candidate } from './week-tray';

const candidate = (
  key: string,
  minutes: number,
  days: number,
  weight: number,
  kind: Candidate['kind'] = 'rung',
): Candidate => ({
  key,
  kind,
  pieceId: null,
  sectionId: null,
  what: key,
  tempo: null,
  minutes,
  days,
  timesADay: 1,
  by: '',
  why: '',
  weight,
});
const anyCandidates = fc.uniqueArray(
  fc.record({
    key: fc.string({ minLength: 1, maxLength: 5 }),
    minutes: fc.integer({ min: 0, max: 25 }),
    days: fc.integer({ min: 0, max: 9 }),
    weight: fc.integer({ min: 0, max: 100 }),
  }),
  { selector: (c) => c.key, maxLength: 14 },
);
const anyMinutes = fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 7, maxLength: 7 });

describe('the tray of a week', () => {
  it('never exceeds the minutes of any day, loses nothing, and uses each day once', () => {
    fc.assert(
      fc.property(anyCandidates, anyMinutes, (list, minutes) => {
        const candidates = list.map((c) => candidate(c.key, c.minutes, c.days, c.weight));
        const tray = fillTray(candidates, minutes);
        const used = minutes.map((_, d) =>
          tray.items.filter((i) => i.on.includes(d)).reduce((sum, i) => sum + i.minutes, 0),
        );
        used.forEach((u, d) => {
          expect(u).toBeLessThanOrEqual(minutes[d] ?? 0);
          expect(tray.planned[d]).toBe(u);
        });
        for (const c of candidates) {
          const item = tray.items.find((i) => i.key === c.key);
          const on = item?.on ?? [];
          expect(new Set(on).size).toBe(on.length);
          expect(on.length).toBeLessThanOrEqual(c.days);
          // Everything is either in on all its days or named.
          if (on.length < Math.min(7, c.days) || on.length === 0)
            expect(tray.leftOut.some((l) => l.key === c.key)).toBe(true);
        }
      }),
    );
  });
  it('leaves nothing out that still has room', () => {
    fc.assert(
      fc.property(anyCandidates, anyMinutes, (list, minutes) => {
        const tray = fillTray(
          list.map((c) => candidate(c.key, Math.max(1, c.minutes), Math.max(1, c.days), c.weight)),
          minutes,
        );
        for (const left of tray.leftOut) {
          const c = list.find((x) => x.key === left.key);
          const on = tray.items.find((i) => i.key === left.key)?.on ?? [];
          const free = minutes.filter(
            (m, d) => !on.includes(d) && m - (tray.planned[d] ?? 0) >= Math.max(1, c?.minutes ?? 1),
          );
          expect(free).toEqual([]);
        }
      }),
    );
  });
  // Worked by hand: Mon, Wed, Fri 10 minutes each.
  it('is a week as worked by hand', () => {
    const tray = fillTray(
      [
        candidate('scale', 3, 3, 70, 'technique'),
        candidate('check B', 2, 2, 90, 'check'),
        candidate('corner', 5, 3, 65, 'corner'),
        candidate('new C', 6, 2, 50),
      ],
      [10, 0, 10, 0, 10, 0, 0],
    );
    // The check is the heaviest: two days far apart, Monday and Friday. The scale on all three. The corner on all
    // three: Monday and Friday are then full at 10, Wednesday holds 8, and the new section (6 minutes) has no room.
    expect(tray.items.map((i) => [i.key, i.on])).toEqual([
      ['scale', [0, 2, 4]],
      ['corner', [0, 2, 4]],
      ['check B', [0, 4]],
    ]);
    expect(tray.planned).toEqual([10, 0, 8, 0, 10, 0, 0]);
    expect(tray.leftOut).toEqual([{ key: 'new C', what: 'new C', minutes: 12, why: 'no day has room for it' }]);
  });
  it('names what fits on fewer days than wanted', () => {
    const tray = fillTray([candidate('run', 8, 4, 1)], [10, 10, 0, 0, 0, 0, 0]);
    expect(tray.items[0]?.on).toEqual([0, 1]);
    expect(tray.leftOut[0]).toMatchObject({ why: 'on 2 of 4 days', minutes: 16 });
  });
  it('keeps under a limit for the whole week and says so', () => {
    fc.assert(
      fc.property(anyCandidates, anyMinutes, fc.integer({ min: 0, max: 120 }), (list, minutes, most) => {
        const tray = fillTray(
          list.map((c) => candidate(c.key, c.minutes, c.days, c.weight)),
          minutes,
          { mostInWeek: most },
        );
        expect(tray.planned.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(most);
      }),
    );
    const tray = fillTray([candidate('run', 10, 5, 1)], [20, 20, 20, 20, 20, 20, 20], { mostInWeek: 25 });
    expect(tray.leftOut[0]?.why).toBe('on 2 of 5 days, so that the week does not rise too fast');
  });
  it('flags a week that asks more than a quarter more [from memory]', () => {
    expect(risesTooFast(100, 125)).toBe(false);
    expect(risesTooFast(100, 126)).toBe(true);
    expect(risesTooFast(0, 90)).toBe(false);
  });
});

describe('practice against plan', () => {
  it('knows the Monday of any day', () => {
    expect(mondayOf('2026-05-20')).toBe('2026-05-18');
    expect(mondayOf('2026-05-18')).toBe('2026-05-18');
    expect(mondayOf('2026-05-24')).toBe('2026-05-18');
  });
  it('adds up by week, Sunday with the week before it', () => {
    const weeks = practiceWeeks(
      [practised('2026-05-17', 5), practised('2026-05-18', 7), practised('2026-05-20', 8)],
      [],
      {
        today: '2026-05-20',
        zone: 'UTC',
        weeks: 2,
      },
    );
    expect(weeks).toEqual([
      { monday: '2026-05-11', planned: 0, practised: 5 },
      { monday: '2026-05-18', planned: 0, practised: 15 },
    ]);
  });
});

describe('the recap', () => {
  const request = {
    student: 'Imke',
    date: 'Wednesday 20 May',
    missed: false,
    said: 'Eyes on the page.',
    heard: [{ name: 'Lamps, A', level: 3 as const, before: 2 as const, note: 'freer' }],
    items: [
      {
        id: 'i',
        kind: 'corner' as const,
        pieceId: null,
        sectionId: null,
        what: 'Lamps, bar 5',
        tempo: 60,
        minutes: 4,
        days: [0, 2, 4],
        timesADay: 5,
        by: 'midweek' as const,
        cue: 'look up first',
        why: '',
      },
    ],
    cue: 'sing it',
  };
  it('says in plain words what was heard and what is to do', () => {
    const text = recapText(request);
    expect(text).toContain('Lamps, A: joined (3 of 5, up from 2). freer');
    expect(text).toContain(
      'Lamps, bar 5, at 60: 5 times a day, Mon, Wed, Fri, about 4 min. You should have it by midweek. look up first',
    );
    expect(text).toContain('about 12 minutes in the week');
    expect(text).toContain('Remember: sing it');
    expect(text).toContain('see a clinician');
  });
  it('is another letter for a missed lesson', () =>
    expect(recapText({ ...request, missed: true, heard: [] })).toMatch(/^Imke, this is for the lesson missed on/));
  it('says the days', () => {
    expect(daysInWords([0, 1, 2, 3, 4, 5, 6])).toBe('every day');
    expect(daysInWords([5])).toBe('Saturday');
  });
});
