import { describe, expect, it } from 'vitest';
import type { AssignmentEvent } from '../studio';
import { practiceWeeks } from './practice-weeks';
import { daysInWords, recapText, type RecapRequest } from './recap';
import { practised } from './records-for-tests';
import { fillTray, risesTooFast, type Candidate } from './week-tray';

const candidate = (key: string, more: Partial<Candidate> = {}): Candidate => ({
  key,
  kind: 'rung',
  pieceId: null,
  sectionId: null,
  what: key,
  tempo: null,
  minutes: 5,
  days: 1,
  timesADay: 1,
  by: '',
  why: '',
  weight: 50,
  ...more,
});
const WEEK = [20, 20, 20, 20, 20, 20, 20];
const on = (tray: ReturnType<typeof fillTray>, key: string) => tray.items.find((i) => i.key === key)?.on;

describe('a week worked by hand', () => {
  it('is spread, not bunched at its beginning', () => {
    expect(on(fillTray([candidate('a', { days: 2 })], WEEK), 'a')).toEqual([0, 4]);
    expect(on(fillTray([candidate('a', { days: 3 })], WEEK), 'a')).toEqual([0, 2, 4]);
    // Monday, Wednesday, Friday, Sunday; over five days of work Monday, Wednesday, Friday [common practice].
    expect(on(fillTray([candidate('a', { days: 4 })], WEEK), 'a')).toEqual([0, 2, 4, 6]);
    expect(on(fillTray([candidate('a', { days: 3 })], [10, 10, 10, 10, 10, 0, 0]), 'a')).toEqual([0, 2, 4]);
    // Where two things are done, the second takes the days with more room.
    const both = [candidate('a', { days: 3, weight: 9 }), candidate('b', { days: 3, weight: 1 })];
    expect(on(fillTray(both, WEEK), 'b')?.filter((d) => on(fillTray(both, WEEK), 'a')?.includes(d))).toEqual([]);
    expect(on(fillTray([candidate('a', { days: 9 })], WEEK), 'a')).toEqual([0, 1, 2, 3, 4, 5, 6]);
  });
  it('goes to the day with most room, the earlier where two have as much', () => {
    expect(on(fillTray([candidate('a')], [10, 20, 15, 20, 0, 0, 0]), 'a')).toEqual([1]);
    expect(on(fillTray([candidate('a'), candidate('b')], [10, 10, 0, 0, 0, 0, 0]), 'b')).toEqual([1]);
    expect(on(fillTray([candidate('a', { days: 2 })], [5, 0, 9, 7, 0, 0, 0]), 'a')).toEqual([0, 3]);
  });
  it('may fill a day to its last minute', () => {
    const tray = fillTray([candidate('a', { minutes: 10 })], [10]);
    expect(on(tray, 'a')).toEqual([0]);
    expect(tray.planned).toEqual([10, 0, 0, 0, 0, 0, 0]);
    expect(on(fillTray([candidate('a', { minutes: 0.1 + 0.2 })], [0.3]), 'a')).toEqual([0]);
  });
  it('holds no more tasks than a week bears, and says so of the rest', () => {
    const tray = fillTray([candidate('a', { weight: 90 }), candidate('b'), candidate('c', { weight: 70 })], WEEK, {
      mostTasks: 2,
    });
    expect(tray.items.map((i) => i.key)).toEqual(['a', 'c']);
    expect(tray.leftOut).toEqual([{ key: 'b', what: 'b', minutes: 5, why: '2 tasks are enough for a week' }]);
  });
  it('puts what is put together from new things into the second half of the week after the lesson', () => {
    const late = [candidate('a', { days: 7, late: true })];
    expect(on(fillTray(late, WEEK), 'a')).toEqual([3, 4, 5, 6]);
    // After a lesson on Thursday the week begins on Friday: its second half is Monday to Thursday.
    expect(on(fillTray(late, WEEK, { firstDay: 4 }), 'a')).toEqual([0, 1, 2, 3]);
    // Where there is no room then, any day is better than none.
    expect(on(fillTray(late, [9, 9, 0, 0, 0, 0, 0]), 'a')).toEqual([0, 1]);
  });
  it('takes the heaviest first, by name where two weigh as much, and lists by kind', () => {
    const pair = [candidate('b', { minutes: 8 }), candidate('a', { minutes: 8 })];
    for (const list of [pair, [...pair].reverse()]) {
      const tray = fillTray(list, [10]);
      expect(tray.items.map((i) => i.key)).toEqual(['a']);
      expect(tray.leftOut).toEqual([{ key: 'b', what: 'b', minutes: 8, why: 'no day has room for it' }]);
    }
    expect(
      fillTray(
        [candidate('light', { weight: 1, minutes: 8 }), candidate('heavy', { weight: 2, minutes: 8 })],
        [10],
      ).items.map((i) => i.key),
    ).toEqual(['heavy']);
    // The order of a day (handbook, chapter 20): warm, then what is new, then what is due.
    const kinds = ['own', 'check', 'rung', 'corner', 'technique'] as const;
    expect(
      fillTray(
        kinds.map((kind) => candidate(kind, { kind })),
        WEEK,
      ).items.map((i) => i.kind),
    ).toEqual([...kinds].reverse());
    expect(
      fillTray(
        (['well', 'whole', 'due', 'join', 'new', 'technique'] as const).map((inDay) => candidate(inDay, { inDay })),
        WEEK,
      ).items.map((i) => i.key),
    ).toEqual(['technique', 'new', 'join', 'due', 'whole', 'well']);
    expect(
      fillTray(
        [candidate('x', { weight: 3 }), candidate('y', { weight: 9 }), candidate('z', { weight: 6 })],
        WEEK,
      ).items.map((i) => i.key),
    ).toEqual(['y', 'z', 'x']);
  });
  it('leaves out what has no length or no day, and says so', () => {
    const tray = fillTray(
      [candidate('none', { minutes: 0 }), candidate('never', { days: 0 }), candidate('part', { days: 1.9 })],
      WEEK,
    );
    expect(tray.items.map((i) => [i.key, i.on.length])).toEqual([['part', 1]]);
    expect(tray.leftOut.map((l) => [l.key, l.minutes, l.why])).toEqual([
      ['never', 5, 'no day has room for it'],
      ['none', 0, 'no day has room for it'],
    ]);
  });
  it('does not rise faster than the limit, to the minute', () => {
    const twice = [candidate('a', { minutes: 10, days: 3 })];
    expect(on(fillTray(twice, WEEK, { mostInWeek: 20 }), 'a')).toEqual([0, 4]);
    expect(on(fillTray(twice, WEEK, { mostInWeek: 19 }), 'a')).toEqual([0]);
    const none = fillTray(twice, WEEK, { mostInWeek: 5 });
    expect(none.items).toEqual([]);
    expect(none.leftOut).toEqual([{ key: 'a', what: 'a', minutes: 30, why: 'the week would rise too fast' }]);
    const both = fillTray([candidate('a', { weight: 60, minutes: 10 }), candidate('b', { minutes: 10 })], WEEK, {
      mostInWeek: 15,
    });
    expect(both.items.map((i) => i.key)).toEqual(['a']);
  });
  it('does not change the list it was given', () => {
    const list = [candidate('b', { weight: 1 }), candidate('a', { weight: 2 })];
    fillTray(list, WEEK);
    expect(list.map((c) => c.key)).toEqual(['b', 'a']);
  });
  it('rises too fast from a quarter more on', () => {
    expect(risesTooFast(80, 100)).toBe(false);
    expect(risesTooFast(80, 100.1)).toBe(true);
    expect(risesTooFast(0, 100)).toBe(false);
  });
});

describe('practice against plan', () => {
  const given = (id: string, at: string, minutes: number, days: number[]): AssignmentEvent => ({
    id,
    at,
    kind: 'assignment',
    studentId: 's',
    lessonId: null,
    items: [
      {
        id: 'i',
        kind: 'own',
        pieceId: null,
        sectionId: null,
        what: 'x',
        tempo: null,
        minutes,
        days,
        timesADay: 1,
        by: '',
        cue: '',
        why: '',
      },
    ],
    leftOut: [],
    cue: '',
    minutesAvailable: 60,
  });
  it('plans minutes times days, the last that was given before the week ended, two weeks at most', () => {
    const weeks = practiceWeeks(
      [practised('2026-05-24', 3), practised('2026-05-25', 4)],
      [given('1', '2026-05-06T15:00:00.000Z', 5, [0, 2, 4]), given('2', '2026-05-13T15:00:00.000Z', 10, [0, 1])],
      { today: '2026-06-03', zone: 'UTC', weeks: 5 },
    );
    expect(weeks).toEqual([
      { monday: '2026-05-04', planned: 15, practised: 0 },
      { monday: '2026-05-11', planned: 20, practised: 0 },
      { monday: '2026-05-18', planned: 20, practised: 3 },
      { monday: '2026-05-25', planned: 0, practised: 4 },
      { monday: '2026-06-01', planned: 0, practised: 0 },
    ]);
  });
  it('knows on which side of a week’s end a task was given, where the studio is', () => {
    // Sunday 23:30 in Los Angeles is Monday in UTC.
    const late = [given('1', '2026-05-18T06:30:00.000Z', 10, [0])];
    const of = (zone: string) => practiceWeeks([], late, { today: '2026-05-17', zone, weeks: 1 })[0]?.planned;
    expect(of('America/Los_Angeles')).toBe(10);
    expect(of('UTC')).toBe(0);
  });
  it('counts an assignment of exactly two weeks ago', () => {
    const of = (at: string) =>
      practiceWeeks([], [given('1', at, 10, [0])], { today: '2026-05-20', zone: 'UTC', weeks: 1 })[0]?.planned;
    expect(of('2026-05-11T10:00:00.000Z')).toBe(10);
    expect(of('2026-05-10T10:00:00.000Z')).toBe(0);
  });
});

describe('the letter', () => {
  const item: RecapRequest['items'][number] = {
    id: 'i',
    kind: 'rung',
    pieceId: null,
    sectionId: null,
    what: 'Lamps, A',
    tempo: null,
    minutes: 5,
    days: [1],
    timesADay: 1,
    by: 'lesson',
    cue: '',
    why: '',
  };
  const plain: RecapRequest = {
    student: 'Imke',
    date: 'Wednesday 20 May',
    missed: false,
    said: '',
    heard: [],
    items: [],
    cue: '',
  };
  const CARE = 'If anything hurts, tingles or goes numb: stop, rest, and see a clinician who knows musicians.';
  it('is short where nothing was heard, said or given', () =>
    expect(recapText({ ...plain, said: '  ', cue: ' ' }).split('\n')).toEqual([
      'Imke’s lesson on Wednesday 20 May',
      '',
      'Nothing new for this week.',
      '',
      CARE,
    ]));
  it('says all of it, line by line', () => {
    const heard = (name: string, level: 2 | 3, before: 2 | 3 | null, note = '') => ({ name, level, before, note });
    const text = recapText({
      ...plain,
      said: ' Well begun. ',
      heard: [heard('A', 3, 2, 'freer'), heard('B', 2, 3), heard('C', 2, 2), heard('D', 2, null)],
      items: [
        item,
        { ...item, what: 'Lamps, B', tempo: 66, timesADay: 2, days: [0, 2], by: 'midweek', cue: 'look up' },
        { ...item, what: 'Lamps, C', timesADay: 5, days: [0, 1, 2, 3, 4, 5, 6] },
      ],
      cue: ' sing it ',
    });
    expect(text.split('\n')).toEqual([
      'Imke’s lesson on Wednesday 20 May',
      '',
      'What I heard:',
      '- A: joined (3 of 5, up from 2). freer',
      '- B: steady (2 of 5, down from 3)',
      '- C: steady (2 of 5)',
      '- D: steady (2 of 5)',
      '',
      'Well begun.',
      '',
      'For this week:',
      '- Lamps, A: once a day, Tuesday, about 5 min.',
      '- Lamps, B, at 66: twice a day, Mon, Wed, about 5 min. You should have it by midweek. look up',
      '- Lamps, C: 5 times a day, every day, about 5 min.',
      '',
      'That is about 50 minutes in the week.',
      '',
      'Remember: sing it',
      '',
      CARE,
    ]);
  });
  it('names one day in full and several in short', () => {
    expect(daysInWords([6])).toBe('Sunday');
    expect(daysInWords([0, 6])).toBe('Mon, Sun');
    expect(daysInWords([])).toBe('');
  });
});
