'use client';

import { Check } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { correctPractice, logPractice, takeBackRecord, type CorrectPractice } from '@/core/commands';
import type { DayTask } from '@/core/plan';
import { inBeats, inQuarters } from '@/core/score';
import { tempoUnitOf, type PracticeEvent } from '@/core/studio';
import { usePieces, useWays } from '@/store';
import { Button } from '@/ui';
import { useActs } from '@/features/acts';
import { KeptField } from '@/features/drafts';
import type { HomeModel } from './use-home';

const MOST_MINUTES = 600;
const MOST_TIMES = 1000;
const isNumber =
  (least: number, most: number) =>
  (text: string): boolean =>
    /^\d+$/.test(text.trim()) && Number(text) >= least && Number(text) <= most;

/** One task, ticked with its minutes without the room. */
function TaskTick({ model, task }: { readonly model: HomeModel; readonly task: DayTask }): ReactNode {
  const { run } = useActs();
  const { item } = task;
  const [minutes, setMinutes] = useState('');
  const [storing, setStoring] = useState(false);
  const { pieceId } = item;
  if (pieceId === null) return null;
  const typed = minutes === '' ? Math.max(1, Math.round(item.minutes)) : Number(minutes);
  const isRight = isNumber(1, MOST_MINUTES)(String(typed));
  const tick = (): void => {
    if (!isRight || storing) return;
    setStoring(true);
    run(
      logPractice,
      {
        studentId: model.student.id,
        pieceId,
        sectionId: item.sectionId,
        day: model.today,
        minutes: typed,
        times: 0,
        tempo: null,
        note: '',
      },
      { stored: () => setMinutes(''), over: () => setStoring(false) },
    );
  };
  return (
    <li className="flex flex-wrap items-center gap-2 border-t border-rule py-1 first:border-0">
      <span className="min-w-48 flex-1">{item.what}</span>
      <label className="flex items-center gap-2">
        <input
          className="field figure min-h-11 w-16 text-lg"
          inputMode="numeric"
          aria-label={`Minutes of: ${item.what}`}
          aria-invalid={!isRight}
          value={minutes}
          placeholder={String(Math.max(1, Math.round(item.minutes)))}
          onChange={(e) => setMinutes(e.target.value)}
        />
        min
      </label>
      <Button big disabled={!isRight || storing} aria-label={`Done: ${item.what}`} onClick={tick}>
        <Check size={22} aria-hidden="true" /> {task.done ? 'Once more' : 'Done'}
      </Button>
    </li>
  );
}

/** What was put down today, each figure to be put right, or taken back. */
function LoggedToday({ log }: { readonly log: PracticeEvent }): ReactNode {
  const { run } = useActs();
  const pieces = usePieces() ?? [];
  const rows = useWays(log.pieceId);
  const piece = pieces.find((p) => p.id === log.pieceId);
  const place = rows?.places.find((s) => s.id === log.sectionId);
  const unit = tempoUnitOf(piece);
  const correct = (correction: CorrectPractice['correction'], stored: () => void): void =>
    run(correctPractice, { recordId: log.id, correction }, { stored });
  const field = (
    name: string,
    value: string,
    [least, most]: readonly [number, number],
    onKeep: (n: number, stored: () => void) => void,
  ): ReactNode => (
    <label className="flex items-center gap-1 text-ink-2">
      {name}
      <KeptField
        draftKey={`${name} of ${log.id}`}
        label={`${name} of ${piece?.title ?? 'a piece'}`}
        className="field figure min-h-11 w-16 text-lg text-ink"
        inputMode="numeric"
        value={value}
        accepts={isNumber(least, most)}
        wants={`a whole number from ${least} to ${most}`}
        onKeep={(text, settle) => onKeep(Number(text), settle)}
      />
    </label>
  );
  return (
    <li className="flex flex-wrap items-center gap-2 border-t border-rule py-1 first:border-0">
      <span className="min-w-40 flex-1">
        <span translate="no">{piece?.title ?? 'a piece that is gone'}</span>{' '}
        <span className="text-ink-2" translate="no">
          {place ? `${place.letter} ${place.name}`.trim() : ''}
        </span>
      </span>
      {field('minutes', String(log.minutes), [1, MOST_MINUTES], (minutes, stored) => correct({ minutes }, stored))}
      {field('times', String(log.times), [0, MOST_TIMES], (times, stored) => correct({ times }, stored))}
      {log.right === undefined
        ? null
        : field('right', String(log.right), [0, log.times], (right, stored) => correct({ right }, stored))}
      {log.tempo === null
        ? null
        : field('tempo', String(inBeats(log.tempo, unit)), [10, 400], (beats, stored) =>
            correct({ tempo: inQuarters(beats, unit) }, stored),
          )}
      <Button look="quiet" big onClick={() => run(takeBackRecord, { recordId: log.id })}>
        Not done
      </Button>
    </li>
  );
}

/** For who practises without the screen: tasks ticked with their minutes, and what was put down today put right. */
export function ByHand({ model }: { readonly model: HomeModel }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <section className="panel p-3 text-lg" aria-label="Written down by hand">
      <Button look="quiet" big aria-expanded={open} onClick={() => setOpen(!open)}>
        Practised without the screen? Write it down
      </Button>
      {open ? (
        <>
          <ul className="mt-2">
            {model.tasks.map((task) => (
              <TaskTick key={task.item.id} model={model} task={task} />
            ))}
          </ul>
          {model.logs.length > 0 ? (
            <>
              <h2 className="mt-3 text-lg">Put down today</h2>
              <ul>
                {model.logs.map((log) => (
                  <LoggedToday key={log.id} log={log} />
                ))}
              </ul>
            </>
          ) : null}
        </>
      ) : null}
    </section>
  );
}
