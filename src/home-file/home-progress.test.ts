import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answerFile, homeCode, readAnswer } from '@/core/sheet';
import type { RoomSum } from '@/room';
import { tasksOn } from './day-list';
import type { HomeTask } from './home-week';
import {
  counted,
  dayOfTask,
  daysOfWeek,
  minutesOn,
  noProgress,
  sentBack,
  spent,
  stepsDone,
  ticked,
  type HomeProgress,
} from './home-progress';

const DAY = '2026-11-25';
const WEEK = { key: 77, from: '2026-11-24' };
const sum = (id: string, more: Partial<RoomSum> = {}): RoomSum => ({
  id,
  passes: 4,
  right: 3,
  wrong: 1,
  row: 3,
  seconds: 40,
  reached: 66,
  loops: 0,
  tapped: null,
  done: true,
  ...more,
});
const place = { task: 5, day: DAY, step: 2, boxes: 2 };

describe('progress at home', () => {
  it('counts what was done in the room once, ticks a box for it, and takes the step', () => {
    const once = counted(noProgress(1), place, sum('x'));
    const twice = counted(once, place, sum('x'));
    expect(twice).toBe(once);
    expect(dayOfTask(once, 5, DAY)).toMatchObject({ times: 4, right: 3, row: 3, tempo: 66, ticks: 1, steps: 2 });
    const more = counted(once, place, sum('y', { passes: 2, right: 2, row: 2, reached: 60, done: false }));
    expect(dayOfTask(more, 5, DAY)).toMatchObject({ times: 6, right: 5, row: 3, tempo: 66, ticks: 1, steps: 2 });
    expect(stepsDone(more, 5, 0)).toBe(2);
    expect(stepsDone(more, 6, 1)).toBe(1);
  });
  it('never ticks more boxes than there are, and takes ticks back', () => {
    const all = ['a', 'b', 'c'].reduce((p, id) => counted(p, place, sum(id)), noProgress(1));
    expect(dayOfTask(all, 5, DAY).ticks).toBe(2);
    expect(dayOfTask(ticked(all, 5, DAY, 0), 5, DAY).ticks).toBe(0);
  });
  it('has minutes by the clock: what was begun counts as one, a glance as none', () => {
    const after = (seconds: number) => sentBack(spent(noProgress(1), 5, DAY, seconds), WEEK).done[0]?.minutes ?? 0;
    expect([after(10), after(30), after(100), after(605), after(99_999)]).toEqual([0, 1, 2, 10, 240]);
    expect(minutesOn(spent(spent(noProgress(1), 5, DAY, 100), 6, DAY, 80), DAY)).toBe(3);
  });
  it('may be written in on the seven days, and later while it is still in hand', () => {
    expect(daysOfWeek('2026-11-24', '2026-11-25')).toHaveLength(7);
    expect(daysOfWeek('2026-11-24', '2026-12-02')).toHaveLength(9);
    expect(daysOfWeek('2026-11-24', '2027-05-01')).toHaveLength(14);
  });
  it('comes back as it was done, by file and by code, whatever was done in whatever order', () => {
    const act = fc.oneof(
      fc.tuple(fc.constant('tick' as const), fc.nat(5), fc.nat(6), fc.nat(20)),
      fc.tuple(fc.constant('time' as const), fc.nat(5), fc.nat(6), fc.nat(5000)),
      fc.tuple(fc.constant('room' as const), fc.nat(5), fc.nat(6), fc.nat(30)),
    );
    const did = (
      p: HomeProgress,
      [kind, task, after, n]: readonly ['tick' | 'time' | 'room', number, number, number],
      i: number,
    ) => {
      const day = `2026-11-${24 + after}`;
      switch (kind) {
        case 'tick':
          return ticked(p, task, day, n);
        case 'time':
          return spent(p, task, day, n);
        case 'room':
          return counted(
            p,
            { task, day, step: n % 4, boxes: 3 },
            sum(`id${i}`, { passes: n, right: n, row: n, reached: 40 + n }),
          );
      }
    };
    fc.assert(
      fc.property(fc.array(act, { maxLength: 60, size: 'max' }), fc.string({ maxLength: 50 }), (acts, note) => {
        const sent = sentBack({ ...acts.reduce(did, noProgress(9)), note }, WEEK);
        expect(readAnswer(answerFile(sent))).toEqual({ ok: true, value: sent });
        const { code, leftOut } = homeCode(sent);
        expect(leftOut).toEqual([]);
        expect(readAnswer(`Here: ${code}\nbye`)).toEqual({ ok: true, value: { ...sent, note: '' } });
      }),
      { numRuns: 60 },
    );
  });
});

describe('what is asked for on a day', () => {
  const task = (key: number, days: readonly number[]) => ({ key, days }) as unknown as HomeTask;
  it('is what the teacher gave for it, and everything on a day that is free', () => {
    const tasks = [task(1, [1, 2]), task(2, [2])];
    const keys = (day: string) => tasksOn({ tasks }, day).map((t) => t.key);
    // 24 November 2026 is a Tuesday.
    expect([keys('2026-11-24'), keys('2026-11-25'), keys('2026-11-26')]).toEqual([[1], [1, 2], [1, 2]]);
  });
});
