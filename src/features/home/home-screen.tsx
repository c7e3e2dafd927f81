'use client';

import { useEffect, useState, type ReactNode } from 'react';
import { MINUTES_BEFORE_A_BREAK } from '@/core/ladder';
import { longDayWords, Button, EmptyState } from '@/ui';
import { useStudents } from '@/store';
import { ChooseStudent } from '@/features/choose-student';
import { PieceStage } from '@/features/score';
import { useWhere } from '@/features/where';
import { ByHand } from './by-hand';
import { TaskInRoom } from './task-in-room';
import { TaskLadder } from './task-ladder';
import { useHome, type HomeModel } from './use-home';
import { usePractising } from './who-practises';

/** Whose practice it is, asked once. */
function WhoseIsIt({
  name,
  onSay,
}: {
  readonly name: string;
  readonly onSay: (who: 'student' | 'trying') => void;
}): ReactNode {
  return (
    <section className="panel flex flex-wrap items-center gap-3 p-4 text-lg" aria-label="Whose practice is it?">
      <h2 className="basis-full text-xl">Is {name} practising?</h2>
      <Button look="primary" big onClick={() => onSay('student')}>
        Yes, keep what {name} does
      </Button>
      <Button big onClick={() => onSay('trying')}>
        No, I am only trying it
      </Button>
    </section>
  );
}

/** A pause that is due after so many minutes in the room. */
function BreakDue(): ReactNode {
  const [begun, setBegun] = useState(() => performance.now());
  const [minutes, setMinutes] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setMinutes((performance.now() - begun) / 60_000), 20_000);
    return () => clearInterval(timer);
  }, [begun]);
  if (minutes < MINUTES_BEFORE_A_BREAK) return null;
  return (
    <p role="status" className="panel flex flex-wrap items-center gap-3 p-3 text-lg">
      {MINUTES_BEFORE_A_BREAK} minutes are over: five minutes away from the instrument.
      <Button
        big
        onClick={() => {
          setBegun(performance.now());
          setMinutes(0);
        }}
      >
        The pause is over
      </Button>
    </p>
  );
}

/** Who it is, which day, how much of it is done; the way to the sheet. */
function DayHead({ model: { student, today, minutes, asked } }: { readonly model: HomeModel }): ReactNode {
  const where = useWhere();
  return (
    <div className="flex items-baseline justify-between gap-2">
      <p className="min-w-0 text-lg">
        <span className="font-semibold">{student.name}</span>{' '}
        <span className="hidden text-ink-2 sm:inline">{longDayWords(today)}</span>
      </p>
      <p className="flex items-baseline gap-3 text-lg">
        <span className="figure">{asked > 0 ? `${minutes} of ${asked} min` : `${minutes} min`}</span>
        <span className="hidden sm:inline">
          <Button look="quiet" big onClick={() => where.go('sheet')}>
            Sheet for home
          </Button>
        </span>
      </p>
    </div>
  );
}

function Day({ model }: { readonly model: HomeModel }): ReactNode {
  const where = useWhere();
  const { student, tasks, today } = model;
  const [practising, say] = usePractising(student.id, today);
  const [taken, setTaken] = useState<string | null>(null);
  const task = tasks.find((t) => t.item.id === taken) ?? tasks.find((t) => !t.done) ?? tasks[0] ?? null;
  const pieceId = task?.item.pieceId ?? null;
  const sectionId = task?.item.sectionId ?? null;
  const { change } = where;
  // The music on screen is that of the task in hand.
  useEffect(() => {
    if (pieceId !== null && (where.pieceId !== pieceId || where.sectionId !== sectionId))
      change({ pieceId, sectionId });
  }, [pieceId, sectionId, where.pieceId, where.sectionId, change]);
  if (!task)
    return (
      <EmptyState title={model.assignment ? 'Nothing is asked for today' : 'No week is given yet'}>
        <p>
          {model.assignment
            ? `A day without practice in the week of ${student.name}.`
            : `What ${student.name} practises comes from the week given in the lesson.`}
        </p>
        <Button look="primary" big onClick={() => where.go('lesson', { view: 'week' })}>
          Go to the week
        </Button>
      </EmptyState>
    );
  const at = tasks.indexOf(task);
  const next = tasks[at + 1];
  return (
    <div className="flex gap-3">
      <TaskLadder tasks={tasks} inHand={task.item.id} onTake={setTaken} />
      <div className="flex min-w-0 flex-1 flex-col gap-3">
        <DayHead model={model} />
        {practising === null ? <WhoseIsIt name={student.name} onSay={say} /> : null}
        <BreakDue />
        {pieceId === null ? (
          <section className="panel p-4 text-lg">
            <h2 className="text-2xl">{task.item.what}</h2>
            {next ? (
              <Button look="primary" big className="mt-3" onClick={() => setTaken(next.item.id)}>
                On to the next
              </Button>
            ) : null}
          </section>
        ) : where.pieceId === pieceId ? (
          <PieceStage heading="Home" strip="own">
            {(context) => (
              <TaskInRoom
                key={`${task.item.id} ${context.place?.section.id ?? ''}`}
                model={model}
                task={task}
                context={context}
                kept={practising === 'student'}
                onStay={() => setTaken(task.item.id)}
                onNext={next ? () => setTaken(next.item.id) : null}
              />
            )}
          </PieceStage>
        ) : null}
        <ByHand model={model} />
        <p className="text-base text-ink-2">
          Pain, numbness or tingling: stop, rest, and tell your teacher; a clinician who knows musicians can help. With
          headphones keep it soft.
        </p>
      </div>
    </div>
  );
}

/** The practice room of one student: today’s tasks one after the other. */
export function HomeScreen(): ReactNode {
  const where = useWhere();
  const students = useStudents();
  const model = useHome(where.studentId);
  if (model)
    return (
      <>
        <h1 className="sr-only">Home of {model.student.name}</h1>
        <Day key={model.student.id} model={model} />
      </>
    );
  if (model === undefined || !students)
    return (
      <p className="p-8 text-center text-ink-2" role="status">
        Opening the room…
      </p>
    );
  return (
    <ChooseStudent
      title="Who is practising?"
      stage="Home"
      students={students}
      onPick={(studentId) => where.change({ studentId })}
    />
  );
}
