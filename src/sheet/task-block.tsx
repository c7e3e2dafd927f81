import type { ReactNode } from 'react';
import type { SheetStep, SheetTask, WeekSheet } from '@/core/sheet';
import { HandMap } from '@/ui';
import { DayBoxes } from './day-boxes';
import type { DrawnExcerpt, DrawnSheet } from './drawn-sheet';
import { ExcerptMusic } from './excerpt-music';
import { GUTTER, type PrintSize } from './paper';

/** A line up to this share of the width leaves room for the words beside it. */
const BESIDE = 0.6;

function Step({ step: { what, how, done } }: { readonly step: SheetStep }): ReactNode {
  const said = [what, how].filter((s) => s !== '').join(': ');
  return (
    <>
      {said}
      {said !== '' && done !== '' ? '. ' : ''}
      {done === '' ? '' : `Done when: ${done}.`}
    </>
  );
}

/** The steps of a task; one alone is said without a number. */
function Steps({ steps }: { readonly steps: readonly SheetStep[] }): ReactNode {
  const [only] = steps;
  if (!only) return null;
  if (steps.length === 1) return only.done === '' ? null : <p>Done when: {only.done}.</p>;
  return (
    <ol className="sheet-steps">
      {steps.map((step, i) => (
        <li key={i}>
          <Step step={step} />
        </li>
      ))}
    </ol>
  );
}

function TaskHead({ task }: { readonly task: SheetTask }): ReactNode {
  const [only] = task.steps;
  const how = task.steps.length === 1 ? (only?.how ?? '') : '';
  return (
    <div className="sheet-task-head">
      <h2>
        <span className="sheet-number">{task.number}</span> <span translate="no">{task.title}</span>
      </h2>
      <p>{[how, task.byMidweek ? 'by midweek' : ''].filter((s) => s !== '').join(', ')}</p>
    </div>
  );
}

/** Where the music is that does not stand here. */
function Elsewhere({ task, leftOut }: { readonly task: SheetTask; readonly leftOut: boolean }): ReactNode {
  if (task.excerpt === null) return null;
  if (leftOut) return <p>Take your music for this.</p>;
  return task.excerpt.withTask === task.number ? null : <p>The music is at {task.excerpt.withTask}.</p>;
}

interface DoingProps {
  readonly task: SheetTask;
  readonly week: WeekSheet;
  readonly leftOut: boolean;
}

function Doing({ task, week, leftOut }: DoingProps): ReactNode {
  return (
    <div className="sheet-doing">
      <Steps steps={task.steps} />
      {task.cue === '' ? null : (
        <p translate="no" className="sheet-cue-of-task">
          “{task.cue}”
        </p>
      )}
      <Elsewhere task={task} leftOut={leftOut} />
      <DayBoxes weekdays={week.weekdays} days={task.days} boxes={task.boxes} />
    </div>
  );
}

/** Lines of music; beside the last of them, where it is short, what is to be done. */
function MusicAndDoing({
  excerpt,
  name,
  width,
  size,
  children,
}: {
  readonly excerpt: DrawnExcerpt;
  /** By which it is found in the page: its place among the excerpts. */
  readonly name: number;
  readonly width: number;
  readonly size: PrintSize;
  readonly children: ReactNode;
}): ReactNode {
  const { lines, narrow, lastWidth: taken, place } = excerpt;
  const last = lines[lines.length - 1];
  const isShort = last !== undefined && taken + GUTTER <= width * BESIDE;
  const full = isShort ? lines.slice(0, -1) : lines;
  const dense = size !== 'large';
  return (
    <>
      {place ? (
        <div className="sheet-place">
          <HandMap drawing={place} />
        </div>
      ) : null}
      {narrow.length > 0 ? (
        <div className="sheet-narrow" data-narrow={name}>
          <ExcerptMusic excerpt={excerpt} lines={narrow} dense />
        </div>
      ) : null}
      {full.length > 0 ? (
        <div className="sheet-music sheet-wide" data-wide={name} style={{ paddingLeft: GUTTER }}>
          <ExcerptMusic excerpt={excerpt} lines={full} dense={dense} />
        </div>
      ) : null}
      {isShort ? (
        <div className="sheet-beside">
          <div
            className="sheet-music sheet-wide"
            data-wide={name}
            style={{ paddingLeft: GUTTER, width: taken + GUTTER }}
          >
            <ExcerptMusic excerpt={excerpt} lines={[last]} dense={dense} />
          </div>
          {children}
        </div>
      ) : (
        children
      )}
    </>
  );
}

interface Props {
  readonly sheet: DrawnSheet;
  readonly task: SheetTask;
  /** Pixels there are from margin to margin. */
  readonly width: number;
  readonly size: PrintSize;
  /** Its music is left out, to keep to one page. */
  readonly leftOut: boolean;
}

/** One thing to do: its words, its music, its boxes. */
export function TaskBlock({ sheet: { week, music, failed }, task, width, size, leftOut }: Props): ReactNode {
  const key = task.excerpt?.withTask === task.number && !leftOut ? task.excerpt.key : null;
  const excerpt = key === null ? undefined : music.get(key);
  const problem = failed.get(task.itemId) ?? (key === null ? undefined : failed.get(key));
  const doing = <Doing task={task} week={week} leftOut={leftOut} />;
  return (
    <section className="sheet-task" data-task={task.itemId}>
      <TaskHead task={task} />
      {problem === undefined ? null : <p className="sheet-problem">The music is missing here: {problem}</p>}
      {excerpt ? (
        <MusicAndDoing excerpt={excerpt} name={week.excerpts.findIndex((e) => e.key === key)} width={width} size={size}>
          {doing}
        </MusicAndDoing>
      ) : (
        doing
      )}
    </section>
  );
}
