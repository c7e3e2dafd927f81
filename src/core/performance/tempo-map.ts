import type { Performance } from './perform';
import { seconds, type Seconds } from '../units';
import { lastWhere, type Score } from '../score';

/** From tick `start` of the playing on: seconds before it, and how fast it goes; `toBpm` at `end` where it bends. */
interface Stretch {
  readonly start: number;
  readonly end: number;
  readonly seconds: number;
  readonly bpm: number;
  readonly toBpm: number;
}

export interface TempoMap {
  /** Seconds from the start of playing to a tick of it. */
  readonly secondsAt: (tick: number) => Seconds;
  readonly bpmAt: (tick: number) => number;
}

/** A place where time broadens or hurries: from tick to tick of the playing, to a share of the tempo there. */
export interface Bend {
  readonly from: number;
  readonly to: number;
  readonly share: number;
  /** The share with which it begins; 1 when left out. */
  readonly begins?: number;
}

/** Seconds of `quarters` from one tempo to another, changing evenly with the music: the integral of 60 / tempo. */
function secondsOf(quarters: number, bpm: number, toBpm: number): number {
  if (Math.abs(toBpm - bpm) < 1e-9) return (quarters * 60) / bpm;
  return ((60 * quarters) / (toBpm - bpm)) * Math.log(toBpm / bpm);
}

/**
 * Time of a playing: its tempos, each times `share`, and its bends. A bend goes evenly from the tempo in force to its
 * share of it, and the tempo is back behind it; where two lie over one another the first of the list holds.
 *
 * @example tempoMap(score, perform(score, { order: [0] }), 0.5).bpmAt(0) // → 40
 */
export function tempoMap(
  score: Pick<Score, 'ticksPerQuarter'>,
  { tempos, length }: Pick<Performance, 'tempos' | 'length'>,
  share = 1,
  bends: readonly Bend[] = [],
): TempoMap {
  const quarters = (t: number): number => t / score.ticksPerQuarter;
  const marks = tempos.map((t) => ({ at: t.start as number, bpm: t.bpm * share }));
  const inForce = (at: number): number => marks[lastWhere(marks, (m) => m.at <= at)]?.bpm ?? 120 * share;
  const edges = [...new Set([0, ...marks.map((m) => m.at), ...bends.flatMap((b) => [b.from, b.to]), length as number])]
    .filter((at) => at >= 0 && at <= length)
    .sort((a, b) => a - b);
  const shareAt = (at: number, { from, to, share: last, begins = 1 }: Bend): number =>
    begins + (last - begins) * ((at - from) / (to - from));
  const stretches: Stretch[] = [];
  let passed = 0;
  edges.forEach((start, i) => {
    const end = edges[i + 1] ?? Math.max(start, length);
    const bend = bends.find((b) => b.from <= start && start < b.to);
    const bpm = inForce(start) * (bend ? shareAt(start, bend) : 1);
    const toBpm = inForce(start) * (bend ? shareAt(end, bend) : 1);
    stretches.push({ start, end, seconds: passed, bpm, toBpm });
    passed += secondsOf(quarters(end - start), bpm, toBpm);
  });
  const stretchAt = (tick: number): Stretch =>
    stretches[lastWhere(stretches, (s) => s.start <= tick)] ??
    stretches[0] ?? { start: 0, end: 0, seconds: 0, bpm: 120 * share, toBpm: 120 * share };
  const bpmIn = (s: Stretch, tick: number): number =>
    s.end > s.start ? s.bpm + (s.toBpm - s.bpm) * Math.min(1, (tick - s.start) / (s.end - s.start)) : s.bpm;
  return {
    secondsAt: (tick) => {
      const s = stretchAt(tick);
      return seconds(s.seconds + secondsOf(quarters(tick - s.start), s.bpm, bpmIn(s, tick)));
    },
    bpmAt: (tick) => bpmIn(stretchAt(tick), tick),
  };
}
