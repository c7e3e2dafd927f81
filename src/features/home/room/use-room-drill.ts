import { useCallback, useEffect, useMemo, useRef } from 'react';
import { beginDrill, drillSum, drillTempo, judged, takenBackPass, type Drill, type Pass } from '@/core/drill';
import type { Recorder, RoomTask } from './room-task';

/** A pass that took longer than this was not one pass. */
const MOST_SECONDS = 180;

/** The passes of a task that are not recorded yet, kept by whoever keeps them. */
export interface OpenPasses {
  readonly passes: readonly Pass[];
  readonly keep: (passes: readonly Pass[]) => void;
  readonly settle: () => void;
}

export interface RoomDrill {
  readonly drill: Drill | null;
  /** Of the next pass, in quarters a minute. */
  readonly tempo: number;
  readonly judge: (right: boolean) => void;
  readonly takeBack: () => void;
  /** Puts down what was done so far. */
  readonly finish: () => void;
}

/** Counting one task: its passes one after the other, and what is handed over when it is left or done. */
export function useRoomDrill(task: RoomTask, open: OpenPasses, recorder: Recorder, shift: number): RoomDrill {
  const { passes, keep, settle } = open;
  const drill = useMemo(() => (task.rule ? passes.reduce(judged, beginDrill(task.rule)) : null), [task.rule, passes]);
  const tempo = Math.max(10, Math.round((drill ? drillTempo(drill) : 60) + shift));
  const since = useRef<number | null>(null);
  useEffect(() => {
    since.current = performance.now();
  }, [task.id]);
  const finish = useCallback(() => {
    if (!drill || drill.passes.length === 0) return;
    recorder.record(task, drillSum(drill), drill.done);
    settle();
  }, [drill, recorder, settle, task]);
  const judge = (right: boolean): void => {
    if (!drill) return;
    const now = performance.now();
    const seconds = Math.min(MOST_SECONDS, (now - (since.current ?? now)) / 1000);
    since.current = now;
    keep([...passes, { right, tempo, seconds: Math.round(seconds * 10) / 10 }]);
  };
  return {
    drill,
    tempo,
    judge,
    takeBack: () => (drill ? keep(takenBackPass(drill).passes) : undefined),
    finish,
  };
}
