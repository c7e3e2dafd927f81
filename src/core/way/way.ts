import type { LadderScope } from '../ladder';
import type { Hand, Rung } from '../studio';

/** What a step of a way is about. */
export type WayKind = 'section' | 'phrase' | 'chunk' | 'join' | 'piece';

/** A range to be learned. */
export interface WayChunk {
  /** As a teacher says it: `bars 1–2`, `4 into 5`, `A`, `the whole piece`. */
  readonly name: string;
  readonly kind: WayKind;
  /** Bars as indexes, both included. */
  readonly from: number;
  readonly to: number;
  /**
   * Where it begins and ends, in exact quarters from the bar lines of `from` and of `to`. A pick-up begins before its
   * bar line (`-1`); a chunk that takes in the first note of the next bar ends after its last bar.
   */
  readonly fromOffset: string;
  readonly toOffset: string;
  readonly hand: Hand;
  /** Bars of the place, learned earlier, that this one is a copy of. */
  readonly like: readonly [number, number] | null;
}

/** Orders that teachers follow; `own` is the teacher's own, by dragging. */
export const WAY_SCHOOLS = ['start', 'end', 'ends', 'corners', 'sameness'] as const;
export type WaySchool = (typeof WAY_SCHOOLS)[number];

/** A chunk at its place on the way, before its ladder is known. */
export interface WayPlace {
  readonly chunk: WayChunk;
  /** Which of its rungs are asked for here: a phrase that is learned in one piece has those of a small chunk. */
  readonly scope: Exclude<LadderScope, 'section'>;
  /** Why it is here, one line of a teacher's words. */
  readonly why: string;
  /** Share of the playing time that is known after it, 0 to 1; never falls. */
  readonly pays: number;
}

/** A place of the way with what it asks for. */
export interface WayStep extends WayPlace {
  readonly rungs: readonly Rung[];
  /** Tempo that it is to reach in the end, quarters a minute. */
  readonly target: number;
  /** Practice until it is done, all in all. */
  readonly minutes: number;
  /** The week in which it is begun, from 1. */
  readonly week: number;
}

export interface Way {
  readonly steps: readonly WayStep[];
  readonly weeks: number;
  readonly minutes: number;
}
