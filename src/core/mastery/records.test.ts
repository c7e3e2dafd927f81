import { describe, expect, it } from 'vitest';
import type { Level, StudioEvent } from '../studio';
import { climbOf } from './climb';
import { foldEvents, heldEvents, standingKey } from './fold-events';
import { foldStanding, foldStandings } from './fold-standing';
import { hardSections } from './hard-sections';
import { currentAssignment, foldLessons, practiceOf } from './lessons';
import { startOfCopy, startOfReturn } from './starting-level';
import { tappedTempo } from './tapped-tempo';

const at = (day: number, minute = 0): string =>
  `2026-03-${String(day).padStart(2, '0')}T15:${String(minute).padStart(2, '0')}:00.000Z`;
type LevelEvent = Extract<StudioEvent, { kind: 'level' }>;
const level = (id: string, when: string, to: Level, more: Partial<LevelEvent> = {}): LevelEvent => ({
  id,
  at: when,
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
const assignment = (id: string, when: string, lessonId: string, what: string): StudioEvent => ({
  id,
  at: when,
  kind: 'assignment',
  studentId: 's',
  lessonId,
  items: [
    {
      id: 'i',
      kind: 'own',
      pieceId: null,
      sectionId: null,
      what,
      tempo: null,
      minutes: 5,
      days: [0],
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

describe('corrections', () => {
  const wrong = level('w', at(1), 4);
  const right = level('r', at(9), 2, { corrects: 'w' });
  const later = level('l', at(5), 3);
  it('stand in for what they correct, at its time', () => {
    const standing = foldEvents([wrong, later, right]).standings.get(standingKey('s', 'a'));
    expect(standing?.level).toBe(3);
    expect(standing?.history.map((e) => [e.level, e.at])).toEqual([
      [2, at(1)],
      [3, at(5)],
    ]);
  });
  it('can be corrected themselves', () => {
    const again = level('r2', at(10), 1, { corrects: 'r' });
    expect(foldEvents([wrong, right, again]).standings.get(standingKey('s', 'a'))).toMatchObject({
      level: 1,
      at: at(1),
    });
  });
  it('a retraction that was taken back does not count', () => {
    const gone: StudioEvent = { id: 'x', at: at(6), kind: 'retract', target: 'l' };
    const back: StudioEvent = { id: 'y', at: at(7), kind: 'retract', target: 'x' };
    expect(heldEvents([later, gone]).length).toBe(0);
    expect(heldEvents([later, gone, back])).toEqual([later]);
    expect(foldStanding([later, gone, back], 's', 'a')?.level).toBe(3);
    expect(foldStandings([back, gone, later])[0]?.level).toBe(3);
  });
  it('words in a ring say nothing', () => {
    const ring: StudioEvent[] = [
      { id: 'x', at: at(6), kind: 'retract', target: 'y' },
      { id: 'y', at: at(7), kind: 'retract', target: 'x' },
    ];
    expect(heldEvents([later, ...ring])).toEqual([later]);
  });
});

describe('lessons', () => {
  const events: StudioEvent[] = [
    { id: 'L1', at: at(1), kind: 'lesson', studentId: 's', minutes: 30 },
    level('e1', at(1, 5), 2, { lessonId: 'L1' }),
    { id: 's1', at: at(1, 8), kind: 'said', studentId: 's', lessonId: 'L1', text: 'slow' },
    { id: 's2', at: at(2), kind: 'said', studentId: 's', lessonId: 'L1', text: 'slower' },
    assignment('g1', at(1, 20), 'L1', 'one'),
    assignment('g2', at(1, 25), 'L1', 'two'),
    { id: 'L2', at: at(8), kind: 'lesson', studentId: 's', minutes: 45 },
    level('e1c', at(8, 1), 1, { lessonId: 'L1', corrects: 'e1' }),
  ];
  it('come latest first, with what was said and given last, and corrected records only', () => {
    const [second, first] = foldLessons(events);
    expect(second).toMatchObject({ id: 'L2', heard: [], assignment: null });
    expect(first).toMatchObject({ id: 'L1', said: 'slower' });
    expect(first?.heard.map((e) => e.id)).toEqual(['e1c']);
    expect(first?.assignment?.items[0]?.what).toBe('two');
    expect(currentAssignment(events)?.id).toBe('g2');
  });
  it('have no practice in them', () => expect(practiceOf(events)).toEqual([]));
});

describe('where to start', () => {
  it('a copy starts under its model and says why', () => {
    expect(startOfCopy({ name: 'A', level: 4 }, 0)).toMatchObject({ level: 3 });
    expect(startOfCopy({ name: 'A', level: 4 }, 2)?.why).toContain('2 notes differ');
    expect(startOfCopy({ name: 'A', level: 1 }, 0)).toBeNull();
  });
  it('a piece that was away starts lower, one that was not does not', () => {
    expect(startOfReturn({ level: 4, at: '2026-01-01T00:00:00.000Z' }, null, '2026-05-01T00:00:00.000Z')).toMatchObject(
      { level: 2 },
    );
    expect(startOfReturn({ level: 4, at: '2026-04-20T00:00:00.000Z' }, null, '2026-05-01T00:00:00.000Z')).toBeNull();
  });
});

describe('a climb', () => {
  it('is the average of all sections, one point a day', () => {
    const two = foldStandings([
      level('1', at(1), 2),
      level('2', at(8), 4, { tempo: 80 }),
      level('3', at(8, 9), 2, { sectionId: 'b', tempo: 60 }),
    ]);
    expect(climbOf(two, 2, 'UTC')).toEqual([
      { day: '2026-03-01', level: 1, tempo: null },
      { day: '2026-03-08', level: 3, tempo: 80 },
    ]);
    expect(climbOf([], 2, 'UTC')).toEqual([]);
  });
});

describe('what everyone finds hard', () => {
  const levels = (list: readonly (readonly [string, Level])[]) => new Map(list);
  it('counts against each student, so that quick and slow ones weigh alike', () => {
    const hard = hardSections([
      {
        sectionId: 'a',
        levels: levels([
          ['x', 5],
          ['y', 2],
        ]),
      },
      {
        sectionId: 'b',
        levels: levels([
          ['x', 4],
          ['y', 1],
        ]),
      },
      {
        sectionId: 'c',
        levels: levels([
          ['x', 3],
          ['y', 0],
        ]),
      },
    ]);
    expect(hard).toEqual([{ sectionId: 'c', behind: 1, students: 2 }]);
  });
});

describe('tapping a tempo', () => {
  it('takes the median of the gaps and begins anew after a pause', () => {
    expect(tappedTempo([0, 500, 1000, 1500])).toBe(120);
    expect(tappedTempo([0, 500, 1000, 1900, 2400])).toBe(120);
    expect(tappedTempo([0, 300, 600, 9000, 10000, 11000])).toBe(60);
    expect(tappedTempo([0])).toBeNull();
    expect(tappedTempo([])).toBeNull();
  });
});
