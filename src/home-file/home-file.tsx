import { useState, type ReactNode } from 'react';
import { sentence } from '@/ui';
import { DayList, tasksOn } from './day-list';
import { daysOfWeek } from './home-progress';
import type { HomeWeek } from './home-week';
import { useProgress } from './kept-progress';
import { SendBack } from './send-back';
import { TaskScreen } from './task-screen';
import { useToday } from './use-clock';

/** The day that is written in: today, or the last of the week where today is none of it. */
function dayFor(home: HomeWeek, today: string): string {
  const days = daysOfWeek(home.from, today);
  return days.includes(today) ? today : today < home.from ? home.from : (days[days.length - 1] ?? home.from);
}

/** A week at home: what is to be done, the room in which it is done, and sending back what was done. */
export function HomeFile({ home }: { readonly home: HomeWeek }): ReactNode {
  const today = useToday();
  const kept = useProgress(home.key);
  const [chosen, setChosen] = useState<string | null>(null);
  const [inHand, setInHand] = useState<number | null>(null);
  const day = chosen ?? dayFor(home, today);
  const tasks = tasksOn(home, day);
  const task = tasks.find((t) => t.key === inHand) ?? null;
  const next = task ? tasks[tasks.indexOf(task) + 1] : undefined;
  const take = (key: number | null): void => {
    setInHand(key);
    window.scrollTo(0, 0);
  };
  return (
    <div className="mx-auto flex min-h-screen max-w-4xl flex-col gap-3 p-3">
      <header className="flex flex-wrap items-baseline justify-between gap-2">
        <h1 translate="no">{home.student}</h1>
        <p className="text-ink-2">{home.week}</p>
      </header>
      {kept.problem === null ? null : (
        <p role="alert" className="rounded border border-stop bg-sheet px-4 py-3 text-stop">
          {kept.problem}
        </p>
      )}
      <main className="flex flex-1 flex-col gap-3">
        {task ? (
          <TaskScreen
            key={`${task.key} ${day}`}
            home={home}
            task={task}
            day={day}
            kept={kept}
            onLeave={() => take(null)}
            onNext={next ? () => take(next.key) : null}
          />
        ) : (
          <>
            {home.cue === '' ? null : (
              <p className="rounded bg-plum-wash px-4 py-2 text-lg text-plum">
                <strong>Think of:</strong> <span translate="no">{home.cue}</span>
              </p>
            )}
            <DayList home={home} kept={kept} day={day} today={today} onDay={setChosen} onTask={take} />
            <SendBack home={home} kept={kept} />
          </>
        )}
      </main>
      <footer className="mt-auto text-base text-ink-2">
        <p>
          {home.cautions.map(sentence).join(' ')} With headphones keep it soft. What you do here stays in this browser
          until you send it.
        </p>
      </footer>
    </div>
  );
}
