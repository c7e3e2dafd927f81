import { useCallback, useEffect, useRef, useState } from 'react';
import type { InstrumentFamily } from '@/core/instruments';
import type { TimedMusic } from '@/core/performance';
import { lastWhere } from '@/core/score';
import type { RoomPlayer } from './room-task';

type PlayingNow = Pick<RoomPlayer, 'isPlaying' | 'loading' | 'bar' | 'count' | 'countingIn' | 'phase'>;

const SILENT: PlayingNow = {
  isPlaying: false,
  loading: null,
  bar: null,
  count: null,
  countingIn: false,
  phase: null,
};
type Heard = Pick<PlayingNow, 'bar' | 'count' | 'countingIn' | 'phase'>;

/** Something that sounds. */
interface Sounding {
  readonly stop: () => void;
  readonly heardAt: (ms: number) => number | null;
}

/** What makes it sound, however that is done. */
export interface Loudspeaker {
  readonly play: (
    music: TimedMusic,
    familyOf: (part: string) => InstrumentFamily,
    follow: { readonly onLoading: (share: number) => void; readonly onAt: (at: number | null) => void },
  ) => Promise<Sounding>;
  readonly ring: () => Promise<void>;
  /** Told when nothing can be heard. */
  readonly onSilent: () => void;
}

/** The last of a list that has begun. */
const begun = <T extends { readonly at: number }>(list: readonly T[], at: number): T | undefined =>
  list[lastWhere(list, (e) => e.at <= at)];

/** What of the music is heard `at` so many seconds. */
function heardAt(music: TimedMusic, at: number): Heard {
  const bar = begun(music.bars, at);
  const click = begun(music.clicks, at);
  // Counted in again, behind the bars that were played before.
  const countingIn = click?.before === true && (bar === undefined || click.at >= bar.at);
  const isOld = click !== undefined && bar !== undefined && click.at < bar.at;
  return {
    bar: countingIn || at < music.before ? null : (bar?.bar ?? null),
    count: click === undefined || click.count === 0 || isOld ? null : click.count,
    countingIn,
    phase: begun(music.phases, at) ?? null,
  };
}

const isSame = (a: Heard, b: Heard): boolean =>
  a.bar === b.bar && a.count === b.count && a.countingIn === b.countingIn && a.phase === b.phase;

/** Plays timed music and follows it; one thing at a time, and nothing behind a screen that was left. */
export function usePlayer(loudspeaker: Loudspeaker): RoomPlayer {
  const [now, setNow] = useState<PlayingNow>(SILENT);
  const current = useRef<{ stop: () => void; heardAt: (ms: number) => number | null } | null>(null);
  const listeners = useRef(new Set<(at: number | null) => void>());
  const stop = useCallback(() => {
    current.current?.stop();
    current.current = null;
  }, []);
  useEffect(() => stop, [stop]);
  const play: RoomPlayer['play'] = (music, familyOf, onEnd) => {
    stop();
    const mine = { stopped: false, stop: (): void => undefined, heardAt: (_: number): number | null => null };
    mine.stop = () => {
      mine.stopped = true;
      setNow(SILENT);
    };
    current.current = mine;
    setNow({ ...SILENT, isPlaying: true });
    let heard = 0;
    const onAt = (at: number | null): void => {
      for (const listener of listeners.current) listener(at);
      if (at === null) {
        // Something else may play by now.
        if (current.current === mine || current.current === null) setNow(SILENT);
        onEnd?.(heard);
        return;
      }
      heard = Math.max(heard, at);
      const next = heardAt(music, at);
      setNow((before) =>
        before.isPlaying && before.loading === null && isSame(before, next)
          ? before
          : { isPlaying: true, loading: null, ...next },
      );
    };
    const onLoading = (share: number): void =>
      setNow((before) =>
        before.isPlaying && share < 1 ? { ...before, loading: share } : { ...before, loading: null },
      );
    loudspeaker.play(music, familyOf, { onLoading, onAt }).then(
      (playing) => {
        if (mine.stopped) playing.stop();
        else {
          mine.stop = playing.stop;
          mine.heardAt = playing.heardAt;
        }
      },
      () => {
        setNow(SILENT);
        loudspeaker.onSilent();
      },
    );
  };
  return {
    ...now,
    play,
    stop,
    heardAt: (ms) => current.current?.heardAt(ms) ?? null,
    watch: useCallback((listener) => {
      listeners.current.add(listener);
      return () => listeners.current.delete(listener);
    }, []),
    ring: () => {
      // Without a ring it is done all the same.
      loudspeaker.ring().catch(() => undefined);
    },
  };
}
