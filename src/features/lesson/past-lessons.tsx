import { useState, type ReactNode } from 'react';
import { ONLY_A_LEVEL, recordLevel, sayInLesson, takeBackLesson } from '@/core/commands';
import type { Lesson } from '@/core/mastery';
import { daysInWords } from '@/core/plan';
import { clockOf, dayOf } from '@/core/studio';
import { useStudio } from '@/store';
import { Button, Choose, longDayWords, Panel, useGrowing } from '@/ui';
import { useActs } from '@/features/acts';
import { KeptField } from '@/features/drafts';
import { HeardRecord, LEVEL_CHOICES, levelOf } from './heard-record';
import { PutDownLesson } from './put-down-lesson';
import type { LessonModel } from './use-lesson';

const SHOWN = 12;

/** A section that was heard in a lesson and not put down then. */
function AddHeard({ lesson, model }: { readonly lesson: Lesson; readonly model: LessonModel }): ReactNode {
  const { run } = useActs();
  const [sectionId, setSectionId] = useState('');
  return (
    <div className="mt-2 flex flex-wrap items-center gap-3">
      <Choose
        label="Also heard"
        value={sectionId}
        choices={[
          ['', 'choose a section'],
          ...model.sections.map(
            (s) =>
              [s.id, `${s.letter} ${s.name}, ${model.pieces.find((p) => p.id === s.pieceId)?.title ?? ''}`] as const,
          ),
        ]}
        onPick={setSectionId}
      />
      {sectionId === '' ? null : (
        <Choose
          label="at level"
          value=""
          choices={[['', 'choose'], ...LEVEL_CHOICES]}
          onPick={(v) => {
            const level = levelOf(v);
            if (level === null) return;
            run(
              recordLevel,
              {
                studentId: model.student.id,
                sectionId,
                lessonId: lesson.id,
                level,
                ...ONLY_A_LEVEL,
              },
              { stored: () => setSectionId('') },
            );
          }}
        />
      )}
    </div>
  );
}

function OneLesson({ lesson, model }: { readonly lesson: Lesson; readonly model: LessonModel }): ReactNode {
  const { zone } = useStudio();
  const { run } = useActs();
  return (
    <Panel
      title={longDayWords(dayOf(lesson.at, zone))}
      aside={
        <span className="flex items-center gap-2 text-ink-2">
          {lesson.missed ? (
            <span className="font-semibold text-warn">missed</span>
          ) : (
            <>
              <span className="figure">{clockOf(lesson.at, zone)}</span>, {lesson.minutes} minutes
            </>
          )}
          <Button
            look="quiet"
            onClick={() => run(takeBackLesson, { studentId: model.student.id, lessonId: lesson.id })}
          >
            Take it back
          </Button>
        </span>
      }
    >
      <ul>
        {lesson.heard.map((e) => (
          <HeardRecord key={e.id} record={e} model={model} />
        ))}
      </ul>
      {lesson.missed ? null : <AddHeard lesson={lesson} model={model} />}
      <label className="mt-2 block">
        <span className="text-ink-2">{lesson.missed ? 'What I wrote for it' : 'Said'}</span>
        <KeptField
          draftKey={`said ${lesson.id}`}
          className="field w-full"
          maxLength={4000}
          value={lesson.said}
          onKeep={(text, stored) =>
            run(sayInLesson, { studentId: model.student.id, lessonId: lesson.id, text }, { stored })
          }
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
  );
}

/** Lessons that were: heard, said, assigned. They can be put down afterwards and corrected. */
export function PastLessons({ model }: { readonly model: LessonModel }): ReactNode {
  const [shown, setShown] = useState(SHOWN);
  const drawn = useGrowing(model.lessons.slice(0, shown), 2);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3 text-lg">
      <Panel title="A lesson that is not here yet">
        <PutDownLesson student={model.student} />
        {model.lessons.length === 0 ? (
          <p className="mt-2 text-ink-2">The first level you record begins the first lesson by itself.</p>
        ) : null}
      </Panel>
      {drawn.map((lesson) => (
        <OneLesson key={lesson.id} lesson={lesson} model={model} />
      ))}
      {model.lessons.length > shown ? (
        <Button big onClick={() => setShown(shown + SHOWN)}>
          Earlier lessons
        </Button>
      ) : null}
    </div>
  );
}
