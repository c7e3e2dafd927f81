import type { ReactNode } from 'react';
import type { SheetStep, SheetTask, WeekSheet } from '@/core/sheet';
import { HandMap, type HandMapDrawing } from '@/ui';
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

/** Where the music is that does not stand here; empty where it does, or where there is none. */
function elsewhere({ excerpt, number }: SheetTask, leftOut: boolean): string {
  if (excerpt === null) return '';
  if (leftOut) return 'from your music';
  return excerpt.withTask === number ? '' : `music at ${excerpt.withTask}`;
}

function TaskHead({ task, leftOut }: { readonly task: SheetTask; readonly leftOut: boolean }): ReactNode {
  const [only] = task.steps;
  const how = task.steps.length === 1 ? (only?.how ?? '') : '';
  return (
    <div className="sheet-task-head">
      <h2>
        <span className="sheet-number">{task.number}</span> <span translate="no">{task.title}</span>
      </h2>
      <p>{[how, elsewhere(task, leftOut), task.byMidweek ? 'by midweek' : ''].filter((s) => s !== '').join(', ')}</p>
    </div>
  );
}

interface DoingProps {
  readonly task: SheetTask;
  readonly week: WeekSheet;
  /** Where the hands begin, where it is to be found. */
  readonly place: HandMapDrawing | null;
}

function Doing({ task, week, place }: DoingProps): ReactNode {
  return (
    <div className="sheet-doing">
      <div className="sheet-aside">
        {place ? (
          <div className="sheet-place">
            <HandMap drawing={place} />
          </div>
        ) : null}
        <DayBoxes weekdays={week.weekdays} days={task.days} boxes={task.boxes} />
      </div>
      <Steps steps={task.steps} />
      {task.cue === '' ? null : (
        <p translate="no" className="sheet-cue-of-task">
          “{task.cue}”
        </p>
      )}
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
  const { lines, narrow, lastWidth: taken } = excerpt;
  const last = lines[lines.length - 1];
  const isShort = last !== undefined && taken + GUTTER <= width * BESIDE;
  const full = isShort ? lines.slice(0, -1) : lines;
  const dense = size !== 'large';
  return (
    <>
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
  const doing = <Doing task={task} week={week} place={excerpt?.place ?? null} />;
  return (
    <section className="sheet-task" data-task={task.itemId}>
      <TaskHead task={task} leftOut={leftOut} />
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
