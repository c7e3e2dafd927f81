'use client';

import { useMemo, useRef, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { toast } from 'sonner';
import { fillTray, MOST_RISE, recapText, risesTooFast, weekCandidates, type Candidate } from '@/core/plan';
import { heldEvents, standingKey } from '@/core/mastery';
import { placeSections } from '@/core/sections';
import type { Assigned, Student } from '@/core/studio';
import { useStudio } from '@/store';
import { Button, Panel, PickOne } from '@/ui';
import { useOverhead, useScores } from '@/features/score';
import type { GivenWeek, LessonActions } from './lesson-actions';
import type { LessonModel } from './use-lesson';

const DAYS = ['M', 'T', 'W', 'T', 'F', 'S', 'S'] as const;
const DAY_NAMES = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

const minutesOf = (items: readonly Assigned[]): number => items.reduce((sum, i) => sum + i.minutes * i.days.length, 0);
const availableTo = (student: Student): number => student.minutesPerDay.reduce((a, b) => a + b, 0);

const toAssigned = (c: Candidate & { readonly on: readonly number[] }): Assigned => ({
  id: c.key,
  kind: c.kind,
  pieceId: c.pieceId,
  sectionId: c.sectionId,
  what: c.what,
  tempo: c.tempo,
  minutes: c.minutes,
  days: [...c.on],
  timesADay: c.timesADay,
  by: c.by,
  cue: '',
  why: c.why,
});

interface Props {
  readonly model: LessonModel;
  readonly actions: LessonActions;
}

/** Next week: filled by the tool until the teacher takes it, then the teacher's. */
export function WeekPanel({ model, actions }: Props): ReactNode {
  const studio = useStudio();
  const { student, pieces } = model;
  const scores = useScores(pieces);
  const overhead = useOverhead(model.events, model.sections, scores);
  const [own, setOwn] = useState('');
  const [missed, setMissed] = useState(false);
  const available = availableTo(student);
  const given = model.current?.assignment ?? null;
  const lessonId = model.current?.id ?? null;
  const before = useMemo(() => {
    const earlier = heldEvents(model.events).flatMap((e) => (e.kind === 'assignment' && e.lessonId !== lessonId ? [e] : []));
    return minutesOf(earlier.pop()?.items ?? []);
  }, [model.events, lessonId]);
  const suggestion = useMemo(() => {
    const work = pieces.flatMap((piece) => {
      const score = scores.get(piece.id);
      const rows = model.sections.filter((s) => s.pieceId === piece.id);
      return score ? [{ piece, score, sections: placeSections(score, rows), ladders: model.ladders }] : [];
    });
    return fillTray(
      weekCandidates(work, model.standings, student.id, studio.now(), overhead),
      student.minutesPerDay,
      before > 0 ? before * MOST_RISE : Infinity,
    );
  }, [pieces, scores, model.sections, model.ladders, model.standings, student, studio, overhead, before]);
  const items: readonly Assigned[] = given ? given.items : suggestion.items.map(toAssigned);
  const leftOut = given ? given.leftOut : suggestion.leftOut;
  const cue = given?.cue ?? '';
  const planned = minutesOf(items);
  const week = (change: Partial<GivenWeek>): GivenWeek => ({
    items,
    leftOut: leftOut.map((l) => ({ what: l.what, minutes: l.minutes })),
    cue,
    minutesAvailable: available,
    ...change,
  });
  /** What was given last but may not be on screen yet: the next edit builds on it. */
  const ahead = useRef<{ readonly after: string | null; readonly week: GivenWeek } | null>(null);
  const latest = (): GivenWeek => (ahead.current !== null && ahead.current.after === (given?.id ?? null) ? ahead.current.week : week({}));
  const give = (label: string, change: (now: GivenWeek) => Partial<GivenWeek> = () => ({})): void => {
    const now = latest();
    const next = { ...now, ...change(now) };
    ahead.current = { after: given?.id ?? null, week: next };
    void actions.give(label, next);
  };
  const edit = (id: string, change: Partial<Assigned>): void =>
    give('week changed', (now) => ({ items: now.items.map((i) => (i.id === id ? { ...i, ...change } : i)) }));
  const addOwn = (): void => {
    const what = own.trim();
    if (what === '') return;
    const fresh: Assigned = {
      id: studio.newId(),
      kind: 'own',
      pieceId: null,
      sectionId: null,
      what,
      tempo: null,
      minutes: 5,
      days: [0, 1, 2, 3, 4],
      timesADay: 1,
      by: 'lesson',
      cue: '',
      why: 'yours',
    };
    setOwn('');
    give('own task added', (now) => ({ items: [...now.items, fresh] }));
  };
  const names = new Map(model.sections.map((s) => [s.id, s]));
  const titleOf = (id: string): string => pieces.find((p) => p.id === id)?.title ?? '';
  const recap = recapText({
    student: student.name,
    date: new Date(model.current?.at ?? studio.now()).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' }),
    missed,
    said: model.current?.said ?? '',
    heard: (model.current?.heard ?? []).map((e) => {
      const history = model.standings.get(standingKey(student.id, e.sectionId))?.hearings ?? [];
      const earlier = history.filter(([at]) => at < e.at).pop();
      const section = names.get(e.sectionId);
      return {
        name: `${titleOf(e.pieceId)}, ${section?.letter ?? ''} ${section?.name ?? ''}`.trim(),
        level: e.level,
        before: earlier?.[1] ?? null,
        note: e.note,
      };
    }),
    items,
    cue,
  });
  const copy = async (): Promise<void> => {
    await navigator.clipboard.writeText(recap);
    toast('The recap is copied.');
  };
  useHotkeys('enter', (e) => {
    if (given || items.length === 0 || ['BUTTON', 'INPUT', 'SELECT', 'TEXTAREA'].includes((e.target as Element).tagName)) return;
    e.preventDefault();
    give('week given');
  });
  const over = planned > available;
  return (
    <div className="grid items-start gap-3 text-lg lg:grid-cols-[minmax(0,1fr)_24rem] print:block">
      <Panel
        className="no-print"
        title={given ? `Next week for ${student.name}` : `Next week for ${student.name}: a proposal`}
        aside={
          <span className={over ? 'font-semibold text-warn' : 'text-ink-2'}>
            <span className="figure">{Math.round(planned)}</span> of <span className="figure">{available}</span> minutes
          </span>
        }
      >
        {over ? <p className="mb-2 text-warn">That is more than {student.name} has. Take something away, or give it fewer days.</p> : null}
        {risesTooFast(before, planned) ? (
          <p className="mb-2 text-warn">That is more than a quarter more than last week ({Math.round(before)} minutes). Daily time rises gently.</p>
        ) : null}
        {items.length === 0 ? (
          <p className="text-ink-2">
            {available === 0
              ? `${student.name} has no minutes for practice put down. Set them on the board, under ${student.name}.`
              : 'Nothing is due and no ladder has a rung left. Add a task of your own.'}
          </p>
        ) : null}
        <ul className={`grid gap-2 ${given ? '' : 'rounded border border-dashed border-ink-3 p-2'}`}>
          {items.map((item) => (
            <li key={item.id} className="border-t border-rule py-2 first:border-0">
              <div className="flex flex-wrap items-center gap-2">
                <span className={`min-w-0 flex-1 font-semibold ${item.kind === 'own' ? 'text-plum' : ''}`}>
                  {item.what}
                  <span className="block text-base font-normal text-ink-2">{item.why}</span>
                </span>
                <label className="flex items-center gap-1 text-ink-2">
                  <input
                    key={`${item.id} ${item.minutes}`}
                    className="field figure w-16 text-center text-ink"
                    inputMode="numeric"
                    aria-label={`Minutes a day of ${item.what}`}
                    defaultValue={item.minutes}
                    onBlur={(e) => {
                      const n = Number(e.target.value);
                      if (n >= 1 && n <= 120 && n !== item.minutes) edit(item.id, { minutes: n });
                    }}
                  />
                  min
                </label>
                <label className="flex items-center gap-1 text-ink-2">
                  <input
                    key={`${item.id} times ${item.timesADay}`}
                    className="field figure w-14 text-center text-ink"
                    inputMode="numeric"
                    aria-label={`Times a day of ${item.what}`}
                    defaultValue={item.timesADay}
                    onBlur={(e) => {
                      const n = Math.round(Number(e.target.value));
                      if (n >= 1 && n <= 50 && n !== item.timesADay) edit(item.id, { timesADay: n });
                    }}
                  />
                  a day
                </label>
                <Button
                  look="quiet"
                  big
                  aria-label={`Take away ${item.what}`}
                  onClick={() => give('task taken away', (now) => ({ items: now.items.filter((i) => i.id !== item.id) }))}
                >
                  Take away
                </Button>
              </div>
              <div className="mt-1 flex flex-wrap items-center gap-1" role="group" aria-label={`Days of ${item.what}`}>
                {DAYS.map((d, i) => {
                  const on = item.days.includes(i);
                  return (
                    <button
                      key={DAY_NAMES[i]}
                      type="button"
                      aria-pressed={on}
                      aria-label={DAY_NAMES[i] ?? ''}
                      className={`figure size-11 rounded border ${on ? 'border-leaf-deep bg-leaf-wash font-bold' : 'border-rule text-ink-2'}`}
                      onClick={() => edit(item.id, { days: on ? item.days.filter((x) => x !== i) : [...item.days, i].sort((a, b) => a - b) })}
                    >
                      {d}
                    </button>
                  );
                })}
                <span className="ml-2">
                  <PickOne
                    label="by"
                    value={item.by}
                    choices={[
                      ['', 'any time'],
                      ['midweek', 'midweek'],
                      ['lesson', 'next lesson'],
                    ]}
                    onPick={(v) => edit(item.id, { by: v === 'midweek' || v === 'lesson' ? v : '' })}
                  />
                </span>
                <input
                  key={`${item.id} cue ${item.cue}`}
                  className="field min-w-40 flex-1 bg-plum-wash text-plum"
                  placeholder="a cue"
                  aria-label={`Cue for ${item.what}`}
                  maxLength={300}
                  defaultValue={item.cue}
                  onBlur={(e) => e.target.value.trim() !== item.cue && edit(item.id, { cue: e.target.value.trim() })}
                />
              </div>
            </li>
          ))}
        </ul>
        <div className="mt-3 flex flex-wrap items-end gap-2">
          <label className="flex-1">
            <span className="text-ink-2">A task of your own</span>
            <input
              className="field min-h-11 w-full"
              value={own}
              maxLength={300}
              onChange={(e) => setOwn(e.target.value)}
              onKeyDown={(e) => e.key === 'Enter' && addOwn()}
            />
          </label>
          <Button big disabled={own.trim() === ''} onClick={addOwn}>
            Add
          </Button>
          {given ? null : (
            <Button look="primary" big shortcut="enter" disabled={items.length === 0} onClick={() => give('week given')}>
              Give this week
            </Button>
          )}
        </div>
        {leftOut.length > 0 ? (
          <div className="mt-4 border-t border-rule pt-2">
            <h3>Left out</h3>
            <ul className="text-ink-2">
              {leftOut.map((l, i) => (
                <li key={`${l.what} ${i}`}>
                  {l.what}, {Math.round(l.minutes)} min{'why' in l ? `: ${String(l.why)}` : ''}
                </li>
              ))}
            </ul>
          </div>
        ) : null}
      </Panel>
      <Panel
        title="In plain words"
        aside={
          <span className="no-print flex gap-1">
            <Button look="quiet" onClick={() => void copy()}>
              Copy
            </Button>
            <Button look="quiet" onClick={() => window.print()}>
              Print
            </Button>
          </span>
        }
      >
        <div className="no-print mb-3 grid gap-2">
          <label>
            <span className="text-ink-2">What I said</span>
            <textarea
              key={model.current?.said ?? ''}
              className="field w-full"
              rows={3}
              maxLength={4000}
              defaultValue={model.current?.said ?? ''}
              onBlur={(e) => e.target.value.trim() !== (model.current?.said ?? '') && void actions.say(e.target.value.trim())}
            />
          </label>
          <label>
            <span className="text-ink-2">The cue of the week</span>
            <input
              key={cue}
              className="field w-full bg-plum-wash text-plum"
              maxLength={500}
              defaultValue={cue}
              onBlur={(e) => e.target.value.trim() !== cue && give('cue of the week', () => ({ cue: e.target.value.trim() }))}
            />
          </label>
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" className="size-5 accent-leaf" checked={missed} onChange={(e) => setMissed(e.target.checked)} />
            for a missed lesson
          </label>
        </div>
        <pre className="whitespace-pre-wrap" style={{ fontFamily: 'var(--font-text)' }}>
          {recap}
        </pre>
      </Panel>
    </div>
  );
}
