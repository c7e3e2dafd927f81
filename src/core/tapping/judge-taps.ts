import { alignTaps } from './align';

/** A note that is to be tapped. */
export interface BeatToTap {
  readonly noteId: string;
  /** Seconds from the start. */
  readonly at: number;
  readonly bar: number;
}

export type TapVerdict = 'right' | 'early' | 'late' | 'missed';

export interface JudgedNote extends BeatToTap {
  readonly verdict: TapVerdict;
  /** Seconds after the note, before it below 0, the steady lead taken off; null where it was missed. */
  readonly off: number | null;
}

export interface TapJudgement {
  readonly notes: readonly JudgedNote[];
  /** Times of taps that belong to no note, in seconds. */
  readonly extra: readonly number[];
  /** By how much all taps lie before (below 0) or behind their notes: the device's or the person's. */
  readonly lead: number;
  /** How far the taps scatter around it: their standard deviation, seconds. */
  readonly spread: number;
  /** The lead is steady enough to be taken off: more than the taps scatter. */
  readonly leadIsSteady: boolean;
}

export interface TapRule {
  /** Seconds of a beat. */
  readonly beat: number;
  /** Take a steady lead off before judging. */
  readonly withoutLead: boolean;
}

/** A tap within a tenth of a beat is on time, but never asked for closer than 30 ms **[from memory]**. */
const TOLERANCE = 0.1;
const LEAST_TOLERANCE = 0.03;
/** A tap belongs to a note no further away than this of a beat. */
const REACH = 0.5;
/** Fewer taps say nothing of a lead. */
const FEWEST = 4;

/**
 * How near a tap is to be, in seconds.
 *
 * @example tapTolerance(0.2) // → 0.03
 */
export const tapTolerance = (beat: number): number => Math.max(LEAST_TOLERANCE, TOLERANCE * beat);

const middle = (list: readonly number[]): number => {
  const sorted = [...list].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length === 0
    ? 0
    : sorted.length % 2 === 1
      ? (sorted[half] ?? 0)
      : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
};

const deviation = (list: readonly number[]): number => {
  if (list.length < 2) return 0;
  const mean = list.reduce((a, b) => a + b, 0) / list.length;
  return Math.sqrt(list.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (list.length - 1));
};

/**
 * Each note judged by the tap that belongs to it, the lead and the scatter told apart from the verdicts. Aligned twice:
 * the second time with the lead of the first taken off, so that one who is steadily ahead is not taken for one who
 * misses.
 *
 * @example
 * judgeTaps([{ noteId: 'a', at: 0, bar: 0 }, { noteId: 'b', at: 1, bar: 0 }], [0.01, 1.2], { beat: 1,
 *   withoutLead: false }).notes.map((n) => n.verdict) // → ['right', 'late']
 */
export function judgeTaps(notes: readonly BeatToTap[], taps: readonly number[], rule: TapRule): TapJudgement {
  const times = notes.map((n) => n.at);
  const sorted = [...taps].sort((a, b) => a - b);
  const reach = REACH * rule.beat;
  const offsOf = (of: readonly (number | null)[]): readonly number[] =>
    of.flatMap((tap, i) => (tap === null ? [] : [(sorted[tap] ?? 0) - (times[i] ?? 0)]));
  const rough = middle(offsOf(alignTaps(times, sorted, reach).taps));
  const { taps: paired, extra } = alignTaps(
    times,
    sorted.map((t) => t - rough),
    reach,
  );
  const offs = offsOf(paired);
  const lead = middle(offs);
  const spread = deviation(offs);
  const leadIsSteady = offs.length >= FEWEST && Math.abs(lead) > spread;
  const taken = rule.withoutLead && leadIsSteady ? lead : 0;
  const tolerance = tapTolerance(rule.beat);
  return {
    notes: notes.map((note, i): JudgedNote => {
      const tap = paired[i] ?? null;
      if (tap === null) return { ...note, verdict: 'missed', off: null };
      const off = (sorted[tap] ?? 0) - note.at - taken;
      return { ...note, off, verdict: Math.abs(off) <= tolerance ? 'right' : off < 0 ? 'early' : 'late' };
    }),
    extra: extra.map((i) => sorted[i] ?? 0),
    lead,
    spread,
    leadIsSteady,
  };
}
