'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { InstrumentFamily } from '@/core/instruments';
import type { TimedMusic } from '@/core/performance';
import { fail } from '@/core/result';
import { lastWhere } from '@/core/score';
import { showProblem } from '@/features/acts';
import { useSoundChoices } from './sound-choices';

/** What is heard at the moment. */
export interface PlayingNow {
  readonly isPlaying: boolean;
  /** The share of the piano that is there, while it comes in; null otherwise. */
  readonly loading: number | null;
  /** The bar that is heard; null in the count-in and in silence. */
  readonly bar: number | null;
  /** The count of the count-in that is heard, large on the screen; null in the music. */
  readonly count: number | null;
}

export interface PlayAccess extends PlayingNow {
  readonly play: (
    music: TimedMusic,
    familyOf: (part: string) => InstrumentFamily,
    onEnd?: (seconds: number) => void,
  ) => void;
  readonly stop: () => void;
  /** The moment of the music that was heard at a time of `performance.now()`; null in silence. */
  readonly heardAt: (ms: number) => number | null;
}

const SILENT: PlayingNow = { isPlaying: false, loading: null, bar: null, count: null };

/** What of the music is heard `at` so many seconds. */
function heardAt(music: TimedMusic, at: number): Pick<PlayingNow, 'bar' | 'count'> {
  if (at < music.before) {
    const counted = music.clicks.filter((c) => c.before);
    return { bar: null, count: counted[lastWhere(counted, (c) => c.at <= at)]?.count ?? null };
  }
  return { bar: music.bars[lastWhere(music.bars, (b) => b.at <= at)]?.bar ?? null, count: null };
}

/** Plays timed music and follows it; one thing at a time, and nothing behind a screen that was left. */
export function usePlaying(): PlayAccess {
  const { level, a4 } = useSoundChoices();
  const [now, setNow] = useState<PlayingNow>(SILENT);
  const current = useRef<{ stop: () => void; heardAt: (ms: number) => number | null } | null>(null);
  const stop = useCallback(() => {
    current.current?.stop();
    current.current = null;
  }, []);
  useEffect(() => stop, [stop]);
  const play: PlayAccess['play'] = (music, familyOf, onEnd) => {
    stop();
    const mine = { stopped: false, stop: (): void => undefined, heardAt: (_: number): number | null => null };
    mine.stop = () => {
      mine.stopped = true;
    };
    current.current = mine;
    setNow({ ...SILENT, isPlaying: true });
    let heard = 0;
    const onAt = (at: number | null): void => {
      if (at === null) {
        setNow(SILENT);
        onEnd?.(heard);
        return;
      }
      heard = Math.max(heard, at);
      const next = heardAt(music, at);
      setNow((before) =>
        before.isPlaying && before.loading === null && before.bar === next.bar && before.count === next.count
          ? before
          : { isPlaying: true, loading: null, ...next },
      );
    };
    const onLoading = (share: number): void =>
      setNow((before) =>
        before.isPlaying && share < 1 ? { ...before, loading: share } : { ...before, loading: null },
      );
    import('@/audio')
      .then(({ playMusic }) => playMusic({ music, familyOf, level, a4, onLoading, onAt }))
      .then(
        (playing) => {
          if (mine.stopped) playing.stop();
          else {
            mine.stop = playing.stop;
            mine.heardAt = playing.heardAt;
          }
        },
        () => {
          setNow(SILENT);
          showProblem(
            fail('no-sound', 'Nothing can be heard: the sound of the piano could not be loaded. Try again.').issue,
          );
        },
      );
  };
  return { ...now, play, stop, heardAt: (ms) => current.current?.heardAt(ms) ?? null };
}
