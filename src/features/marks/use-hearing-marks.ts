import { useMemo } from 'react';
import { instrumentOf } from '@/core/instruments';
import { markedDynamics, PLAIN_PLAN, timedMusic } from '@/core/performance';
import { usePlaying } from '@/features/sound';
import type { MarksModel } from './use-marks-model';

export interface Hearing {
  readonly isPlaying: boolean;
  readonly playOrStop: () => void;
  /** From a bar on, by its id. */
  readonly playFrom: (barId: string) => void;
  /** Ids of the bars that are heard. */
  readonly heard: ReadonlySet<string>;
}

/** The bars in hand as they are marked: heard, followed on the music, gone on with from a bar that is touched. */
export function useHearingMarks({ score, from, to, tempo, instrument, marks, marking }: MarksModel): Hearing {
  const playing = usePlaying();
  const play = (first: number): void => {
    const dynamics = markedDynamics(score, marks);
    const ornaments = marking?.ornaments ?? [];
    playing.play(
      timedMusic(score, { ...PLAIN_PLAN, from: first, to, tempo, dynamics, ornaments, bends: true }),
      () => instrumentOf(instrument).family,
    );
  };
  const { bar } = playing;
  const heard = useMemo(() => new Set(bar === null ? [] : [score.bars[bar]?.id ?? '']), [bar, score]);
  return {
    isPlaying: playing.isPlaying,
    playOrStop: () => (playing.isPlaying ? playing.stop() : play(from)),
    playFrom: (barId) => play(score.bars.find((b) => b.id === barId)?.index ?? from),
    heard,
  };
}
