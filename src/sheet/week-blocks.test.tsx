import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { SheetTask } from '@/core/sheet';
import type { DrawnSheet } from './drawn-sheet';
import { canBeLeftOut, weekBlocks } from './week-blocks';

const task = (
  number: number,
  withTask: number | null,
  { isRun = false, isOwn = false }: { readonly isRun?: boolean; readonly isOwn?: boolean } = {},
): SheetTask => ({
  itemId: `t${number}`,
  number,
  title: `Task ${number}`,
  steps: [],
  cue: '',
  days: [0],
  boxes: 1,
  minutes: 5,
  byMidweek: false,
  isRun,
  isOwn,
  excerpt: withTask === null ? null : { key: `k${withTask}`, withTask },
});
const SHEET = {
  week: {
    student: 'Nils',
    week: 'week of 24 November',
    minutes: '',
    nextLesson: null,
    weekdays: [0, 1, 2, 3, 4, 5, 6],
    cue: '',
    tasks: [task(1, null), task(2, 2), task(3, 2), task(4, 4, { isRun: true })],
    excerpts: [],
    listening: [],
    cautions: [],
  },
  music: new Map(),
  failed: new Map(),
} as unknown as DrawnSheet;
const words = (leftOut: readonly string[]): readonly string[] =>
  weekBlocks(SHEET, { width: 600, size: 'normal', leftOut: new Set(leftOut) }).map(({ content }) =>
    renderToStaticMarkup(<>{content}</>),
  );

describe('music that has no room', () => {
  it('is first that of what is only run, then that of the last', () => {
    expect(canBeLeftOut(SHEET.week)).toEqual(['t4', 't2']);
  });
  it('is that of a book before that of an exercise made here, and what one task needs before what is shared', () => {
    const tasks = [task(1, 1, { isOwn: true }), task(2, 2), task(3, 2), task(4, 4)];
    expect(canBeLeftOut({ ...SHEET.week, tasks })).toEqual(['t4', 't2', 't1']);
  });
  it('is said to be elsewhere only where it is', () => {
    const [, , two = '', three = ''] = words([]);
    expect(two).not.toContain('from your music');
    expect(three).toContain('music at 2');
    const [, , gone = '', shared = ''] = words(['t2']);
    expect(gone).toContain('from your music');
    expect(shared).toContain('from your music');
    expect(shared).not.toContain('music at');
  });
});
