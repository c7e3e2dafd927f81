import { useEffect, useMemo, useRef } from 'react';
import { beginDrill, drillSum, drillTempo, judged, takenBackPass, type Drill } from '@/core/drill';
import type { Tapped } from '@/core/tapping';
import type { OpenWork, Recorder, RoomTask, RoomWork } from './room-task';

/** A pass that took longer than this was not one pass. */
const MOST_SECONDS = 180;
/** Who listened or looped for less has not practised. */
const LEAST_HEARD = 20;

export interface RoomDrill {
  readonly drill: Drill | null;
  /** Of the next pass, in quarters a minute. */
  readonly tempo: number;
  readonly judge: (right: boolean) => void;
  readonly takeBack: () => void;
  /** What sounded, and how often it went round. */
  readonly addHeard: (seconds: number, loops: number) => void;
  readonly addTapped: (tapped: Tapped) => void;
  /** There is something to keep. */
  readonly hasWork: boolean;
  /** Hands over what was done so far; it stays open until it is kept, and only then it goes on. */
  readonly finish: (then: () => void) => void;
}

const isWork = ({ passes, tapped, heard }: RoomWork): boolean =>
  passes.length > 0 || tapped !== null || heard >= LEAST_HEARD;

/** Counting one task: its passes one after the other, and what is handed over when it is left or done. */
export function useRoomDrill(task: RoomTask, open: OpenWork, recorder: Recorder, shift: number): RoomDrill {
  const { work, keep, settle } = open;
  const { passes } = work;
  const drill = useMemo(() => (task.rule ? passes.reduce(judged, beginDrill(task.rule)) : null), [task.rule, passes]);
  const tempo = Math.max(10, Math.round((drill ? drillTempo(drill) : task.target) + shift));
  const since = useRef<number | null>(null);
  // What ends later adds to what is open then, not to what was when it began.
  const latest = useRef(work);
  const storing = useRef(false);
  useEffect(() => {
    latest.current = work;
  }, [work]);
  useEffect(() => {
    since.current = performance.now();
  }, [task.id]);
  const change = (more: Partial<typeof work>): void => {
    latest.current = { ...latest.current, ...more, id: latest.current.id ?? crypto.randomUUID() };
    keep(latest.current);
  };
  const judge = (right: boolean): void => {
    if (!drill) return;
    const now = performance.now();
    const seconds = Math.min(MOST_SECONDS, (now - (since.current ?? now)) / 1000);
    since.current = now;
    change({ passes: [...latest.current.passes, { right, tempo, seconds: Math.round(seconds * 10) / 10 }] });
  };
  return {
    drill,
    tempo,
    judge,
    takeBack: () => (drill ? change({ passes: takenBackPass(drill).passes }) : undefined),
    addHeard: (seconds, loops) =>
      change({ heard: Math.round(latest.current.heard + seconds), loops: latest.current.loops + loops }),
    addTapped: ({ right, of }) =>
      change({
        tapped: { right: right + (latest.current.tapped?.right ?? 0), of: of + (latest.current.tapped?.of ?? 0) },
      }),
    hasWork: isWork(work),
    finish: (then) => {
      // What has just been stopped is in it already.
      const handed = latest.current;
      if (!isWork(handed) || storing.current) return;
      storing.current = true;
      const sum = drillSum(handed);
      recorder.record(
        {
          ...sum,
          id: handed.id ?? crypto.randomUUID(),
          // Passes and what sounded lie over one another: the longer of the two was the time at the instrument.
          seconds: Math.max(sum.seconds, handed.heard),
          loops: handed.loops,
          tapped: handed.tapped,
          done: drill?.done === true,
        },
        {
          // Until it is stored it stays open; what came meanwhile stays open after it.
          stored: () => {
            const more = latest.current;
            if (more === handed) settle();
            else
              keep({
                id: crypto.randomUUID(),
                passes: more.passes.slice(handed.passes.length),
                heard: more.heard - handed.heard,
                loops: more.loops - handed.loops,
                tapped: more.tapped === handed.tapped ? null : more.tapped,
              });
            then();
          },
          over: () => {
            storing.current = false;
          },
        },
      );
    },
  };
}
