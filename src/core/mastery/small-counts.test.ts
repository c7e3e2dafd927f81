import { describe, expect, it } from 'vitest';
import type { Level, LevelEvent } from '../studio';
import { climbOf } from './climb';
import type { PracticeEvent } from '../studio';
import { practised } from '../plan/records-for-tests';
import { AT_RISK_BELOW, chanceItHolds, dueState, fadingOfHistory, hearingOf } from './fading';
import type { FoldedStanding } from './fold-standing';
import { hardSections } from './hard-sections';
import { startOfCopy, startOfReturn } from './starting-level';
import { tappedTempo } from './tapped-tempo';

const heard = (level: Level, at = '2026-05-01T15:00:00.000Z'): LevelEvent => ({
  id: at,
  at,
  kind: 'level',
  studentId: 's',
  pieceId: 'p',
  sectionId: 'a',
  level,
  proposed: null,
  tempo: null,
  note: '',
});

describe('how a level says that it held', () => {
  it('comes easily only where it rose to tempo or more', () => {
    expect(hearingOf(heard(4), heard(3))).toBe('easy');
    expect(hearingOf(heard(3), heard(2))).toBe('held');
    expect(hearingOf(heard(4), heard(4))).toBe('held');
    expect(hearingOf(heard(4), null)).toBe('held');
    expect(hearingOf(heard(2), null)).toBe('held');
    expect(hearingOf(heard(2), heard(2))).toBe('held');
    expect(hearingOf(heard(1), null)).toBe('shaky');
    expect(hearingOf(heard(3), heard(4))).toBe('lost');
  });
  it('looks at the one before it, so that a fall brings the check nearer', () => {
    const steady = fadingOfHistory([heard(3), heard(3, '2026-05-08T15:00:00.000Z')]);
    const fallen = fadingOfHistory([heard(4), heard(3, '2026-05-08T15:00:00.000Z')]);
    const risen = fadingOfHistory([heard(3), heard(4, '2026-05-08T15:00:00.000Z')]);
    expect(fallen?.stabilityInDays).toBeLessThan(steady?.stabilityInDays ?? 0);
    expect(risen?.stabilityInDays).toBeGreaterThan(steady?.stabilityInDays ?? 0);
    expect(fadingOfHistory([])).toBeNull();
    expect(fadingOfHistory([heard(1)])).toBeNull();
  });
  it('is recalled by practice at home: the check may wait, sooner again where most was wrong', () => {
    const practice = (day: string, more: Partial<PracticeEvent> = {}): PracticeEvent => ({
      ...practised(day, 5),
      ...more,
    });
    const history = [heard(3), heard(4, '2026-05-08T15:00:00.000Z')];
    const none = fadingOfHistory(history);
    const held = fadingOfHistory(history, [practice('2026-05-10'), practice('2026-05-13', { times: 4, right: 4 })]);
    const shaky = fadingOfHistory(history, [practice('2026-05-10'), practice('2026-05-13', { times: 4, right: 1 })]);
    expect((held?.due ?? '') > (none?.due ?? '')).toBe(true);
    expect((held?.due ?? '') > (shaky?.due ?? '')).toBe(true);
    expect(held?.recalledAt).toBe('2026-05-13T12:00:00.000Z');
    // Before it was ever heard, and on the day of the lesson itself, practice recalls nothing.
    expect(fadingOfHistory(history, [practice('2026-04-01'), practice('2026-05-08')])).toEqual(none);
    expect(fadingOfHistory([heard(1)], [practice('2026-05-10')])).toBeNull();
  });
  it('is due at nine in ten and at risk under eight in ten', () => {
    const fading = { due: '2026-05-11T15:00:00.000Z', stabilityInDays: 10 };
    const from = '2026-05-01T15:00:00.000Z';
    expect(chanceItHolds(fading, from, fading.due)).toBeCloseTo(0.9, 6);
    expect(dueState(fading, from, '2026-05-11T14:59:59.000Z')).toBe('fresh');
    expect(dueState(fading, from, fading.due)).toBe('due');
    const later = '2026-07-11T15:00:00.000Z';
    expect(chanceItHolds(fading, from, later)).toBeLessThan(AT_RISK_BELOW);
    expect(dueState(fading, from, later)).toBe('at-risk');
  });
});

describe('a copy and a return', () => {
  it('start as worked by hand', () => {
    expect(startOfCopy({ name: 'A', level: 2 }, 0)).toEqual({
      level: 1,
      why: 'a copy of A, which is at 2; its joins are new',
    });
    expect(startOfCopy({ name: 'A', level: 5 }, 0)?.level).toBe(3);
    expect(startOfCopy({ name: 'A', level: 4 }, 1)).toEqual({
      level: 2,
      why: 'a copy of A, which is at 4; 1 note differs',
    });
    expect(startOfCopy({ name: 'A', level: 2 }, 3)).toBeNull();
  });
  it('come back a level down after 60 days, two where it has probably gone', () => {
    const at = '2026-03-01T00:00:00.000Z';
    expect(startOfReturn({ level: 4, at }, null, '2026-04-30T00:00:00.000Z')).toEqual({
      level: 2,
      why: '60 days away; it was at 4',
    });
    expect(startOfReturn({ level: 4, at }, null, '2026-04-29T23:00:00.000Z')).toBeNull();
    expect(startOfReturn({ level: 0, at }, null, '2026-06-30T00:00:00.000Z')).toBeNull();
    const firm = { due: at, stabilityInDays: 400 };
    expect(startOfReturn({ level: 4, at }, firm, '2026-05-10T00:00:00.000Z')?.level).toBe(3);
    expect(startOfReturn({ level: 1, at }, { due: at, stabilityInDays: 1 }, '2027-05-10T00:00:00.000Z')?.level).toBe(0);
  });
});

describe('taps', () => {
  it('give the middle gap, or the mean of the two in the middle', () => {
    expect(tappedTempo([0, 400, 900])).toBe(Math.round(60_000 / 450));
    expect(tappedTempo([0, 400, 1000, 1500])).toBe(120);
    expect(tappedTempo([0, 1000, 1400, 1900])).toBe(120);
  });
  it('leave out gaps of nothing, keep the last eight, and end at a pause of two and a half seconds', () => {
    expect(tappedTempo([0, 0, 500, 500, 1000])).toBe(120);
    expect(tappedTempo([5, 5])).toBeNull();
    expect(tappedTempo([0, 2500, 3000])).toBe(120);
    expect(tappedTempo([0, 2499, 4998])).toBe(24);
    const slowThenQuick = [0, 1000, 2000, 3000, 4000, 5000, 6000, 7000, 8000].concat(
      Array.from({ length: 8 }, (_, i) => 8500 + i * 500),
    );
    expect(tappedTempo(slowThenQuick)).toBe(120);
  });
});

describe('a climb', () => {
  const standing = (sectionId: string, hearings: FoldedStanding['hearings']): FoldedStanding => ({
    key: `s ${sectionId}`,
    studentId: 's',
    pieceId: 'p',
    sectionId,
    level: 2,
    at: '',
    tempo: null,
    note: '',
    facets: {},
    overruled: false,
    proposed: null,
    hearings,
    fading: null,
    rungsDone: [],
  });
  it('goes by time though sections come in another order, and by days where the studio is', () => {
    const points = climbOf(
      [
        standing('b', [['2026-05-09T03:00:00.000Z', 4, 60, null]]),
        standing('a', [
          ['2026-05-01T15:00:00.000Z', 2, 90, null],
          ['2026-05-09T02:00:00.000Z', 3, 70, null],
        ]),
      ],
      2,
      'America/Los_Angeles',
    );
    expect(points).toEqual([
      { day: '2026-05-01', level: 1, tempo: 90 },
      { day: '2026-05-08', level: 3.5, tempo: 90 },
    ]);
  });
});

describe('what everyone finds hard', () => {
  const one = (sectionId: string, level: Level) => ({ sectionId, levels: new Map([['x', level]]) });
  it('comes hardest first, by name where two are as hard', () => {
    const hard = hardSections([one('a', 5), one('d', 1), one('c', 2), one('b', 2)]);
    expect(hard.map((h) => [h.sectionId, h.behind])).toEqual([
      ['d', 1.5],
      ['b', 0.5],
      ['c', 0.5],
    ]);
  });
  it('leaves out sections that nobody was heard on', () =>
    expect(hardSections([one('a', 5), one('b', 1), { sectionId: 'c', levels: new Map() }])).toEqual([
      { sectionId: 'b', behind: 2, students: 1 },
    ]));
});
