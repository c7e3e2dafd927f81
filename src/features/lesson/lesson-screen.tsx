'use client';

import { useEffect, type ReactNode } from 'react';
import { beginLesson, takeBackLesson } from '@/core/commands';
import { USUAL_LESSON_MINUTES } from '@/core/mastery';
import { useStudents, useStudio } from '@/store';
import { Button } from '@/ui';
import { useActs } from '@/features/acts';
import { ChooseStudent } from '@/features/choose-student';
import { PieceStage } from '@/features/score';
import { useWhere } from '@/features/where';
import { useKey } from '@/features/keys';
import { AtHomePanel } from './at-home-panel';
import { Hearing } from './hearing';
import { LessonTimer } from './lesson-timer';
import { PastLessons } from './past-lessons';
import { useLesson, type LessonModel } from './use-lesson';
import { WeekPanel } from './week-panel';

type View = 'hear' | 'week' | 'past';
const VIEWS: readonly (readonly [View, string, string])[] = [
  ['hear', 'Hear', 'h'],
  ['week', 'Next week', 'g'],
  ['past', 'Past lessons', 'l'],
];

function OneLesson({ model }: { readonly model: LessonModel }): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const { run } = useActs();
  const view = VIEWS.find(([name]) => name === where.view)?.[0] ?? 'hear';
  const setView = (next: View): void => where.change({ view: next === 'hear' ? null : next });
  useKey('lesson.hear', () => setView('hear'));
  useKey('lesson.week', () => setView('week'));
  useKey('lesson.past', () => setView('past'));
  const [first] = model.toHear;
  const { pieceId, change } = where;
  // A lesson begins with what is to be heard first; a piece already chosen stays.
  useEffect(() => {
    if (pieceId === null && first) change({ pieceId: first.pieceId, sectionId: first.sectionId });
  }, [pieceId, first, change]);
  return (
    <div className="flex flex-col gap-2">
      {view === 'hear' ? null : <h1 className="sr-only">Lesson with {model.student.name}</h1>}
      <div className="no-print flex flex-wrap items-center gap-2 text-lg">
        <div className="flex" role="tablist" aria-label="The lesson">
          {VIEWS.map(([name, label, key]) => (
            <button
              key={name}
              type="button"
              role="tab"
              aria-selected={view === name}
              className={`flex min-h-11 items-center gap-2 border-b-[3px] px-4 font-semibold ${view === name ? 'border-leaf-deep text-ink' : 'border-transparent text-ink-2'}`}
              onClick={() => setView(name)}
            >
              {label} <kbd aria-hidden="true">{key}</kbd>
            </button>
          ))}
        </div>
        <AtHomePanel model={model} opens={view === 'hear'} />
        <span className="ml-auto flex items-center gap-2">
          {model.current ? (
            <>
              <LessonTimer begunAt={model.current.at} minutes={model.current.minutes} now={studio.now} />
              <Button
                look="quiet"
                big
                onClick={() =>
                  model.current && run(takeBackLesson, { studentId: model.student.id, lessonId: model.current.id })
                }
              >
                Take the whole lesson back
              </Button>
            </>
          ) : (
            <Button look="quiet" big onClick={() => run(beginLesson, { studentId: model.student.id })}>
              Start the clock: {model.student.lessonMinutes ?? USUAL_LESSON_MINUTES} minutes
            </Button>
          )}
        </span>
      </div>
      {view === 'week' ? (
        <WeekPanel model={model} />
      ) : view === 'past' ? (
        <PastLessons model={model} />
      ) : (
        <PieceStage heading="Lesson" strip="own">
          {(context) => <Hearing {...context} model={model} />}
        </PieceStage>
      )}
    </div>
  );
}

export function LessonScreen(): ReactNode {
  const where = useWhere();
  const students = useStudents();
  const model = useLesson(where.studentId, where.pieceId);
  if (students && !students.some((s) => s.id === where.studentId))
    return (
      <ChooseStudent
        title="Who is the lesson with?"
        stage="Lesson"
        students={students}
        onPick={(studentId) => where.change({ studentId, pieceId: null })}
      />
    );
  if (!model)
    return (
      <p className="p-8 text-center text-ink-2" role="status">
        Opening the lesson…
      </p>
    );
  return <OneLesson key={model.student.id} model={model} />;
}
