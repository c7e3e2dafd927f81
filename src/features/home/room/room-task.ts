import type { DrillRule, DrillSum } from '@/core/drill';
import type { InstrumentFamily } from '@/core/instruments';
import type { ClickPattern, TimedMusic } from '@/core/performance';
import type { TempoUnit } from '@/core/score';

/** Who sounds while one plays. */
export const HEARD = ['mine', 'right', 'left', 'others', 'none'] as const;
export type Heard = (typeof HEARD)[number];

/** What comes between two times of a loop. */
export const LOOPS = ['once', 'beat', 'bar', 'count'] as const;
export type Loop = (typeof LOOPS)[number];

/** How the music of a task is to sound. */
export interface SoundAsked {
  readonly heard: Heard;
  readonly loop: Loop;
  readonly click: ClickPattern | 'none';
  /** Quarters a minute. */
  readonly tempo: number;
}

/** What the room needs to know of one thing to practise; it asks nobody else. */
export interface RoomTask {
  readonly id: string;
  /** What to do, in one sentence. */
  readonly what: string;
  readonly pieceTitle: string;
  readonly cue: string;
  /** How it is counted; null for what has no music, such as reading a page. */
  readonly rule: DrillRule | null;
  /** The beat in which its tempos are said. */
  readonly unit: TempoUnit;
  /** What can be heard of it. */
  readonly voices: readonly Heard[];
  /** The task as it sounds; null where it has no music. */
  readonly soundOf: ((asked: SoundAsked) => TimedMusic) | null;
  readonly familyOf: (part: string) => InstrumentFamily;
  /** What a bar is called. */
  readonly barName: (bar: number) => string;
}

/** Where the room hands over what was done. */
export interface Recorder {
  readonly record: (task: RoomTask, sum: DrillSum, done: boolean) => void;
}
