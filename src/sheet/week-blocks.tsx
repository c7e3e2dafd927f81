import type { ReactNode } from 'react';
import { sentence } from '@/ui';
import type { SheetTask } from '@/core/sheet';
import type { DrawnSheet } from './drawn-sheet';
import type { PrintSize } from './paper';
import type { SheetBlock } from './sheet-block';
import { TaskBlock } from './task-block';

function Head({ sheet: { week } }: { readonly sheet: DrawnSheet }): ReactNode {
  return (
    <header className="sheet-head">
      <h1>
        <span translate="no">{week.student}</span>{' '}
        <span className="sheet-week">{[week.week, week.minutes].filter((s) => s !== '').join(', ')}</span>
      </h1>
      {week.nextLesson === null ? null : <p>next lesson {week.nextLesson}</p>}
    </header>
  );
}

function Foot({ sheet: { week } }: { readonly sheet: DrawnSheet }): ReactNode {
  const titles = [...new Set(week.listening)];
  return (
    <footer className="sheet-foot">
      {titles.length > 0 ? (
        <p>
          <strong>To listen to:</strong> <span translate="no">{titles.join('; ')}</span>
        </p>
      ) : null}
      <p className="sheet-note">
        What went well, what did not: <span aria-hidden="true" />
      </p>
      <p className="sheet-caution">{week.cautions.map(sentence).join(' ')}</p>
    </footer>
  );
}

export interface WeekLook {
  /** Pixels from margin to margin. */
  readonly width: number;
  readonly size: PrintSize;
  /** Tasks whose music is left out. */
  readonly leftOut: ReadonlySet<string>;
}

/**
 * Tasks with music of their own in the order in which it is left out where a page is too small: first what goes well
 * and is only run, what was made here after what is in a book, what few tasks need before what many share, the last
 * before the first.
 */
export function canBeLeftOut({ tasks }: DrawnSheet['week']): readonly string[] {
  const sharing = (t: SheetTask): number => tasks.filter((o) => o.excerpt?.key === t.excerpt?.key).length;
  const worth = (t: SheetTask): readonly number[] => [t.isRun ? 0 : 1, t.isOwn ? 1 : 0, sharing(t), -t.number];
  const inOrder = (a: readonly number[], b: readonly number[]): number =>
    a.map((v, i) => v - (b[i] ?? 0)).find((d) => d !== 0) ?? 0;
  return tasks
    .filter((t) => t.excerpt?.withTask === t.number)
    .map((t) => ({ id: t.itemId, worth: worth(t) }))
    .sort((a, b) => inOrder(a.worth, b.worth))
    .map((t) => t.id);
}

/** What stands on the sheet of a week, from top to bottom. */
export function weekBlocks(sheet: DrawnSheet, { width, size, leftOut }: WeekLook): readonly SheetBlock[] {
  const { cue, tasks } = sheet.week;
  // Where several share the music, it is gone for all of them.
  const isLeftOut = ({ excerpt }: SheetTask): boolean =>
    excerpt !== null && leftOut.has(tasks[excerpt.withTask - 1]?.itemId ?? '');
  return [
    { key: 'head', content: <Head sheet={sheet} /> },
    ...(cue === ''
      ? []
      : [
          {
            key: 'cue',
            content: (
              <p className="sheet-cue">
                <strong>Think of:</strong> <span translate="no">{cue}</span>
              </p>
            ),
          },
        ]),
    ...tasks.map((task) => ({
      key: task.itemId,
      content: <TaskBlock sheet={sheet} task={task} width={width} size={size} leftOut={isLeftOut(task)} />,
    })),
    { key: 'foot', content: <Foot sheet={sheet} /> },
  ];
}
