'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { sayInLesson, type Week, type WeekEdit } from '@/core/commands';
import { recapText, risesTooFast } from '@/core/plan';
import { heldEvents, standingKey } from '@/core/mastery';
import { inBeats } from '@/core/score';
import { dayOf, tempoUnitOf, type Assigned, type Student } from '@/core/studio';
import { useStudio } from '@/store';
import { Button, longDayWords, Panel, Problem } from '@/ui';
import { showProblem, tell, useActs } from '@/features/acts';
import { KeptField, useDraftText } from '@/features/drafts';
import { useOverhead, useScores } from '@/features/score';
import { useKey } from '@/features/keys';
import { useWhere } from '@/features/where';
import { suggestedWeek, toAssigned } from './suggested-week';
import type { LessonModel } from './use-lesson';
import { WeekRow } from './week-row';

/** It makes exercises, and so brings all that reads and builds a piece. */
const giveWeek = () => import('@/core/commands').then((m) => m.giveWeek);

const minutesOf = (items: readonly Assigned[]): number => items.reduce((sum, i) => sum + i.minutes * i.days.length, 0);
const availableTo = (student: Student): number => student.minutesPerDay.reduce((a, b) => a + b, 0);

/** Next week: filled by the tool until the teacher takes it, then the teacher's. */
export function WeekPanel({ model }: { readonly model: LessonModel }): ReactNode {
  const studio = useStudio();
  const where = useWhere();
  const { run } = useActs();
  const { student, pieces } = model;
  const today = studio.today();
  const { now } = studio;
  const { scores, unread, pending } = useScores(pieces);
  const overhead = useOverhead(model.events, model.sections, scores, student.level ?? 'intermediate');
  const own = useDraftText(`own task ${student.id}`, '');
  const [missed, setMissed] = useState(false);
  const available = availableTo(student);
  const given = model.current?.assignment ?? null;
  const lessonId = model.current?.id ?? null;
  const before = useMemo(() => {
    const earlier = heldEvents(model.events).flatMap((e) =>
      e.kind === 'assignment' && e.lessonId !== lessonId ? [e] : [],
    );
    return minutesOf(earlier.pop()?.items ?? []);
  }, [model.events, lessonId]);
  const suggestion = useMemo(
    () => suggestedWeek(model, scores, { now: now(), today, overhead, available, before }),
    [model, scores, today, now, overhead, available, before],
  );
  // Of some of the pieces no week is proposed: it would be taken for all of it.
  const isReading = given === null && (pending || !model.isComplete);
  const items: readonly Assigned[] = given ? given.items : isReading ? [] : suggestion.items.map(toAssigned);
  const leftOut = given ? given.leftOut : isReading ? [] : suggestion.leftOut;
  const cue = given?.cue ?? '';
  const planned = minutesOf(items);
  const proposed: Week = {
    items,
    leftOut: leftOut.map((l) => ({ what: l.what, minutes: l.minutes })),
    cue,
    minutesAvailable: available,
  };
  const exercises = suggestion.toMake.map(({ exercise, instrument }) => ({
    exercise,
    instrument,
    level: student.level ?? 'intermediate',
    teaching: model.teachingOf(null),
  }));
  const change = (edit: WeekEdit, stored?: () => void): void =>
    run(
      giveWeek,
      { studentId: student.id, lessonId: null, proposed, edit, exercises },
      stored === undefined ? {} : { stored },
    );
  const addOwn = (): void => {
    const what = own.text.trim();
    if (what === '' || isReading) return;
    change(
      {
        kind: 'add',
        item: {
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
        },
      },
      own.settle,
    );
  };
  const names = new Map(model.sections.map((s) => [s.id, s]));
  const titleOf = (id: string): string => pieces.find((p) => p.id === id)?.title ?? '';
  const unitOf = (id: string | null) => tempoUnitOf(pieces.find((p) => p.id === id));
  const recap = recapText({
    student: student.name,
    date: longDayWords(dayOf(model.current?.at ?? now(), studio.zone)),
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
    // A metronome at home counts beats.
    items: items.map((i) => (i.tempo === null ? i : { ...i, tempo: inBeats(i.tempo, unitOf(i.pieceId)) })),
    cue,
  });
  const copy = (): void => {
    navigator.clipboard.writeText(recap).then(
      () => tell('The recap is copied.'),
      () =>
        showProblem({
          code: 'not-copied',
          message: 'The browser did not let the recap be copied: copy it by hand.',
          place: {},
        }),
    );
  };
  useKey('lesson.record', () => {
    if (!given && items.length > 0) change({ kind: 'give' });
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
        {over ? (
          <p className="mb-2 text-warn">
            That is more than {student.name} has. Take something away, or give it fewer days.
          </p>
        ) : null}
        {risesTooFast(before, planned) ? (
          <p className="mb-2 text-warn">
            That is more than a quarter more than last week ({Math.round(before)} minutes). Daily time rises gently.
          </p>
        ) : null}
        {isReading ? (
          <p className="text-ink-2" role="status">
            Reading the pieces…
          </p>
        ) : null}
        {[...unread].map(([id, issue]) => (
          <Problem key={id}>
            {titleOf(id)} is not in this proposal: {issue.message}
          </Problem>
        ))}
        {items.length === 0 && !isReading ? (
          <p className="text-ink-2">
            {available === 0
              ? `${student.name} has no minutes for practice put down. Set them on the board, under ${student.name}.`
              : 'Nothing is due and no ladder has a rung left. Add a task of your own.'}
          </p>
        ) : null}
        <ul className={`grid gap-2 ${given ? '' : 'rounded border border-dashed border-ink-3 p-2'}`}>
          {items.map((item) => (
            <WeekRow key={item.id} item={item} studentId={student.id} change={change} />
          ))}
        </ul>
        <div className="mt-3 flex flex-wrap items-end gap-2">
          <label className="flex-1">
            <span className="text-ink-2">A task of your own</span>
            <input
              className="field min-h-11 w-full"
              value={own.text}
              maxLength={300}
              onChange={(e) => own.type(e.target.value)}
              onKeyDown={(e) => e.key === 'Enter' && addOwn()}
            />
          </label>
          <Button big disabled={own.text.trim() === '' || isReading} onClick={addOwn}>
            Add
          </Button>
          {given ? null : (
            <Button
              look="primary"
              big
              shortcut="enter"
              disabled={items.length === 0}
              onClick={() => change({ kind: 'give' })}
            >
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
            <Button look="quiet" onClick={copy}>
              Copy
            </Button>
            <Button look="quiet" onClick={() => window.print()}>
              Print
            </Button>
            <Button look={given ? 'primary' : 'quiet'} disabled={!given} onClick={() => where.go('sheet')}>
              Sheet for home
            </Button>
          </span>
        }
      >
        <div className="no-print mb-3 grid gap-2">
          <label>
            <span className="text-ink-2">What I said</span>
            <KeptField
              draftKey={`said ${model.current?.id ?? student.id}`}
              className="field w-full"
              rows={3}
              maxLength={4000}
              value={model.current?.said ?? ''}
              onKeep={(text, stored) => run(sayInLesson, { studentId: student.id, lessonId: null, text }, { stored })}
            />
          </label>
          <label>
            <span className="text-ink-2">The cue of the week</span>
            <KeptField
              draftKey={`week cue ${student.id}`}
              className="field w-full bg-plum-wash text-plum"
              maxLength={500}
              value={cue}
              onKeep={(text, stored) => change({ kind: 'cue', cue: text }, stored)}
            />
          </label>
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-leaf"
              checked={missed}
              onChange={(e) => setMissed(e.target.checked)}
            />
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
