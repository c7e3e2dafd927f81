import type { ReactNode } from 'react';
import { LEVEL_NAMES } from '@/core/mastery';
import { daysInWords } from '@/core/plan';
import type { Level } from '@/core/studio';
import { Panel, PickOne } from '@/ui';
import type { LessonActions } from './lesson-actions';
import type { LessonModel } from './use-lesson';

const LEVELS: readonly Level[] = [0, 1, 2, 3, 4, 5];
const SHOWN = 12;

/** Lessons that were: heard, said, assigned. A correction is a new record; the old one stays underneath. */
export function PastLessons({ model, actions }: { readonly model: LessonModel; readonly actions: LessonActions }): ReactNode {
  const names = new Map(model.sections.map((s) => [s.id, `${s.letter} ${s.name}`.trim()]));
  const titleOf = (id: string): string => model.pieces.find((p) => p.id === id)?.title ?? 'another piece';
  if (model.lessons.length === 0)
    return (
      <Panel title="No lessons yet">
        <p className="text-lg text-ink-2">The first level you record begins the first lesson.</p>
      </Panel>
    );
  return (
    <div className="grid gap-3 text-lg">
      {model.lessons.slice(0, SHOWN).map((lesson) => (
        <Panel
          key={lesson.id}
          title={new Date(lesson.at).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' })}
          aside={<span className="text-ink-2">{lesson.minutes} minutes</span>}
        >
          <ul>
            {lesson.heard.map((e) => (
              <li key={e.id} className="flex flex-wrap items-center gap-2 border-t border-rule py-1 first:border-0">
                <span className="min-w-48 flex-1">
                  <span className="font-semibold">{names.get(e.sectionId) ?? 'a section'}</span> <span className="text-ink-2">{titleOf(e.pieceId)}</span>
                </span>
                {e.tempo === null ? null : <span className="figure text-ink-2">{e.tempo}</span>}
                <PickOne
                  label={e.corrects === undefined ? 'level' : 'level, corrected'}
                  value={String(e.level)}
                  choices={LEVELS.map((l) => [String(l), `${l} ${LEVEL_NAMES[l]}`] as const)}
                  onPick={(v) => {
                    const level = LEVELS.find((l) => String(l) === v);
                    if (level !== undefined && level !== e.level) void actions.correct(e, level);
                  }}
                />
                {e.note === '' ? null : <span className="basis-full text-ink-2">{e.note}</span>}
              </li>
            ))}
          </ul>
          <label className="mt-2 block">
            <span className="text-ink-2">Said</span>
            <input
              key={lesson.said}
              className="field w-full"
              maxLength={4000}
              defaultValue={lesson.said}
              onBlur={(e) => e.target.value.trim() !== lesson.said && void actions.say(e.target.value.trim(), lesson.id)}
            />
          </label>
          {lesson.assignment ? (
            <ul className="mt-2 text-ink-2">
              {lesson.assignment.items.map((i) => (
                <li key={i.id}>
                  {i.what}, {i.minutes} min, {daysInWords(i.days)}
                </li>
              ))}
            </ul>
          ) : null}
        </Panel>
      ))}
    </div>
  );
}
