import { ChevronLeft } from 'lucide-react';
import { useMemo, useState, type ReactNode } from 'react';
import { playMusic, ringQuietly, type PianoSource } from '@/audio';
import { playedBy } from '@/core/players';
import { Room, roomTaskOf, usePlayer, type HomeStep, type Recorder } from '@/room';
import { Button, Problem } from '@/ui';
import { fromBase64 } from './base64';
import { listenForKeys } from './file-keys';
import { linesOfPage } from './from-page';
import { counted, dayOfTask, openWork, spent, stepsDone, ticked, withOpen } from './home-progress';
import type { HomeMusic, HomeTask, HomeWeek } from './home-week';
import type { ProgressAccess } from './kept-progress';
import { TaskMusic } from './task-music';
import { TickBoxes } from './tick-boxes';
import { useClock } from './use-clock';

const LEVEL = 0.8;

interface Props {
  readonly home: HomeWeek;
  readonly task: HomeTask;
  readonly day: string;
  readonly kept: ProgressAccess;
  readonly onLeave: () => void;
  /** Goes on to the next task; null after the last. */
  readonly onNext: (() => void) | null;
}

/** The recordings that came with the page; null where its notes are made. */
function pianoOf({ piano }: HomeWeek): PianoSource | null {
  return piano.size === 0 ? null : { bytes: new Map([...piano].map(([key, text]) => [key, fromBase64(text)])) };
}

function usePlayerOfPage(home: HomeWeek, onSilent: () => void) {
  const samples = useMemo(() => pianoOf(home), [home]);
  return usePlayer({
    play: (music, familyOf, follow) =>
      playMusic({ music, familyOf, samples, a4: home.a4, level: LEVEL, shift: 0, ...follow }),
    ring: () => ringQuietly(LEVEL),
    onSilent,
  });
}

interface StepProps extends Props {
  readonly step: HomeStep;
  readonly music: HomeMusic;
  /** From 1. */
  readonly at: number;
}

/** One step of a task in the room. */
function StepInRoom({ home, task, day, kept, step, music, at, onNext, onLeave }: StepProps): ReactNode {
  const { progress, change } = kept;
  const played = useMemo(() => playedBy(music.score, music.player), [music]);
  const room = useMemo(
    () => roomTaskOf(step, { score: music.score, played, instrument: music.instrument }),
    [step, music, played],
  );
  const lines = useMemo(() => (task.excerpt === null ? [] : linesOfPage(task.excerpt)), [task.excerpt]);
  const [silent, setSilent] = useState(false);
  const player = usePlayerOfPage(home, () => setSilent(true));
  useClock(true, player.isPlaying, (seconds) => change((p) => spent(p, task.key, day, seconds)));
  const name = `${task.key} ${at} ${day}`;
  const recorder: Recorder = {
    record: (sum, { stored, over }) => {
      change((p) => withOpen(counted(p, { task: task.key, day, step: at, boxes: task.boxes }, sum), name, null));
      stored();
      over();
    },
  };
  const isLast = at >= task.steps.length;
  return (
    <>
      {silent ? <Problem>Nothing can be heard on this device. Count and tick all the same.</Problem> : null}
      <Room
        task={room}
        open={{
          work: openWork(progress, name),
          keep: (work) => change((p) => withOpen(p, name, work)),
          settle: () => change((p) => withOpen(p, name, null)),
        }}
        recorder={recorder}
        player={player}
        onKeys={listenForKeys}
        onNext={(done) => {
          if (done && !isLast) return;
          if (onNext) onNext();
          else onLeave();
        }}
        music={(view) =>
          task.seen === null ? null : (
            <TaskMusic lines={lines} played={played} seen={task.seen} view={view} label={task.title} />
          )
        }
      />
    </>
  );
}

/** A task without music: only the clock, and its boxes. */
function WithoutMusic({ task, day, kept }: Pick<Props, 'task' | 'day' | 'kept'>): ReactNode {
  useClock(true, false, (seconds) => kept.change((p) => spent(p, task.key, day, seconds)));
  return (
    <section className="panel p-4 text-lg" aria-label="In hand">
      <h2 translate="no" className="text-2xl">
        {task.title}
      </h2>
      {task.cue === '' ? null : (
        <p translate="no" className="mt-2 font-semibold text-plum">
          “{task.cue}”
        </p>
      )}
      <p className="mt-2 text-ink-2">The clock runs while this page is open.</p>
    </section>
  );
}

/** One task of a day: its boxes, its time, and the room. */
export function TaskScreen(props: Props): ReactNode {
  const { home, task, day, kept, onLeave } = props;
  const { progress, change } = kept;
  const { ticks, seconds } = dayOfTask(progress, task.key, day);
  const at = Math.min(task.steps.length, stepsDone(progress, task.key, task.before) + 1);
  const step = task.steps[at - 1];
  const music = task.music === null ? undefined : home.music.get(task.music);
  return (
    <div className="flex flex-1 flex-col gap-3">
      <div className="flex flex-wrap items-center gap-2">
        <Button big onClick={onLeave}>
          <ChevronLeft size={22} aria-hidden="true" /> All tasks
        </Button>
        <span className="figure ml-auto text-lg" role="timer" aria-label="Time at this task today">
          {Math.floor(seconds / 60)} of {task.minutes} min
        </span>
        <TickBoxes
          boxes={task.boxes}
          ticks={ticks}
          name="Done today"
          onTick={(next) => change((p) => ticked(p, task.key, day, next))}
        />
      </div>
      {step && music ? (
        <StepInRoom key={at} {...props} step={step} music={music} at={at} />
      ) : (
        <WithoutMusic task={task} day={day} kept={kept} />
      )}
    </div>
  );
}
