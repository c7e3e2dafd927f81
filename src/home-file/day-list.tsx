import { ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { weekdayOf, type Day } from '@/core/studio';
import { Button } from '@/ui';
import { dayOfTask, daysOfWeek, minutesOn, stepsDone, ticked } from './home-progress';
import type { HomeTask, HomeWeek } from './home-week';
import type { ProgressAccess } from './kept-progress';
import { TickBoxes } from './tick-boxes';

const SHORT = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** What is asked for on a day; everything, on a day that is free. */
export function tasksOn({ tasks }: Pick<HomeWeek, 'tasks'>, day: Day): readonly HomeTask[] {
  const asked = tasks.filter((t) => t.days.includes(weekdayOf(day)));
  return asked.length > 0 ? asked : tasks;
}

interface Props {
  readonly home: HomeWeek;
  readonly kept: ProgressAccess;
  readonly day: Day;
  readonly today: Day;
  readonly onDay: (day: Day) => void;
  readonly onTask: (key: number) => void;
}

/** The days of the week: another than today is there for what was forgotten. */
function Days({ home, kept: { progress }, day, today, onDay }: Omit<Props, 'onTask'>): ReactNode {
  return (
    <div className="flex gap-1 overflow-x-auto" role="group" aria-label="Days">
      {daysOfWeek(home.from, today).map((d) => {
        const isDone = progress.days.some((x) => x.day === d && (x.ticks > 0 || x.times > 0 || x.seconds >= 60));
        return (
          <button
            key={d}
            type="button"
            aria-pressed={d === day}
            disabled={d > today}
            className={`flex min-h-12 min-w-11 flex-1 flex-col items-center justify-center rounded border ${d === day ? 'border-leaf-deep bg-leaf-deep text-white' : 'border-rule-strong bg-sheet'} disabled:opacity-50`}
            onClick={() => onDay(d)}
          >
            <span className="text-sm">{SHORT[weekdayOf(d)]}</span>
            <span className={`figure ${isDone ? 'font-bold underline' : ''}`}>{Number(d.slice(8))}</span>
            {isDone ? <span className="sr-only">, practised</span> : null}
          </button>
        );
      })}
    </div>
  );
}

function TaskCard({
  task,
  home,
  kept,
  day,
  onTask,
}: { readonly task: HomeTask } & Omit<Props, 'today' | 'onDay'>): ReactNode {
  const { progress, change } = kept;
  const { ticks, seconds } = dayOfTask(progress, task.key, day);
  const done = stepsDone(progress, task.key, task.before);
  return (
    <li className="panel grid gap-2 p-3">
      <h2 className="flex gap-2 text-lg">
        <span className="figure">{task.number}</span>
        <span translate="no">{task.title}</span>
      </h2>
      {task.cue === '' || task.cue === home.cue ? null : (
        <p translate="no" className="text-plum">
          “{task.cue}”
        </p>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <TickBoxes
          boxes={task.boxes}
          ticks={ticks}
          name={`Task ${task.number}`}
          onTick={(next) => change((p) => ticked(p, task.key, day, next))}
        />
        <span className="text-ink-2">
          {Math.floor(seconds / 60)} of {task.minutes} min
          {task.steps.length > 1 ? `, step ${Math.min(done + 1, task.steps.length)} of ${task.steps.length}` : ''}
        </span>
        <Button big className="ml-auto" onClick={() => onTask(task.key)} aria-label={`Practise task ${task.number}`}>
          Practise <ChevronRight size={22} aria-hidden="true" />
        </Button>
      </div>
    </li>
  );
}

/** What is to be done on a day. */
export function DayList(props: Props): ReactNode {
  const { home, kept, day, today } = props;
  const tasks = tasksOn(home, day);
  const isFree = !home.tasks.some((t) => t.days.includes(weekdayOf(day)));
  const asked = home.minutesPerDay[weekdayOf(day)] ?? 0;
  const minutes = minutesOn(kept.progress, day);
  return (
    <>
      <Days {...props} />
      <p className="flex flex-wrap justify-between gap-2 text-lg">
        <span>{day === today ? 'Today' : 'An earlier day'}</span>
        <span className="figure">{asked > 0 ? `${minutes} of ${asked} min` : `${minutes} min`}</span>
      </p>
      {isFree ? <p className="text-lg">Nothing is asked for on this day. If you like to play all the same:</p> : null}
      <ol className="grid gap-2">
        {tasks.map((task) => (
          <TaskCard key={task.key} {...props} task={task} />
        ))}
      </ol>
    </>
  );
}
