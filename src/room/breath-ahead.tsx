import { Wind } from 'lucide-react';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { breathsInTime } from '@/core/breath';
import type { TimedMusic } from '@/core/performance';
import type { RoomPlayer, RoomTask } from './room-task';

const tenth = (seconds: number): string => seconds.toFixed(1);

/** The breaths of what is practised with the seconds each has to last; while it sounds, the one that comes. */
export function BreathAhead({
  task,
  player,
  music,
}: {
  readonly task: RoomTask;
  readonly player: RoomPlayer;
  /** The task as it sounds, also before it is played. */
  readonly music: TimedMusic;
}): ReactNode {
  const breaths = useMemo(() => breathsInTime(music, task.breaths), [music, task.breaths]);
  const [at, setAt] = useState<number | null>(null);
  const { watch } = player;
  useEffect(() => watch((now) => setAt(now === null ? null : Math.floor(now * 10) / 10)), [watch]);
  const next = at === null ? undefined : breaths.find((b) => b.at > at);
  const tooLong = (span: number): boolean => task.breathLasts !== null && span > task.breathLasts;
  if (at !== null)
    return (
      <p className="figure flex items-center justify-center gap-3 text-4xl font-semibold text-slate" aria-live="off">
        <Wind size={34} aria-hidden="true" />
        {next ? `${tenth(next.at - at)}, then ${tenth(next.span)}` : 'to the end'}
      </p>
    );
  const [first] = breaths;
  return breaths.length === 1 && first ? (
    <p>
      No breath is marked here: {tenth(first.span)} seconds in one
      {tooLong(first.span) ? `, longer than ${task.breathLasts}. Ask where to breathe.` : '.'}
    </p>
  ) : (
    <ul className="flex flex-wrap gap-x-4 gap-y-1" aria-label="Breaths">
      {breaths.map((b) => (
        <li key={`${b.at} ${b.bar}`} className={tooLong(b.span) ? 'font-semibold' : ''}>
          <span className="text-ink-2">{task.barName(b.bar)}</span> {tenth(b.span)} s
          {tooLong(b.span) ? ` (longer than ${task.breathLasts} s)` : ''}
        </li>
      ))}
    </ul>
  );
}
