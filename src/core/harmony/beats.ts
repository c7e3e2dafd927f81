import { beatOnsets, type Score } from '../score';
import type { HeardNote } from './note-figures';

/** One beat and what sounds in it. Times in ticks. */
export interface HeardBeat {
  readonly bar: number;
  /** From 1. */
  readonly beat: number;
  readonly from: number;
  readonly to: number;
  /** How well a chord may begin here: 3 at a bar line, 2 at its half, 1 at a beat. */
  readonly strength: 1 | 2 | 3;
  readonly notes: readonly HeardNote[];
  /** What is heard on in it without sounding. */
  readonly ringing: readonly HeardNote[];
}

type Place = Omit<HeardBeat, 'notes' | 'ringing'>;

/** The beats of the piece; in a bar of four the third is its half, in six beats the fourth. */
export function beatsOf(score: Score): readonly Place[] {
  return score.bars.flatMap((bar) => {
    const beats = beatOnsets(bar, score.ticksPerQuarter);
    const half = beats.length >= 4 && beats.length % 2 === 0 ? beats.length / 2 : -1;
    return beats.map((b, i) => ({
      bar: bar.index,
      beat: i + 1,
      from: bar.onset + b.at,
      to: bar.onset + (beats[i + 1]?.at ?? bar.length),
      strength: b.downbeat ? (3 as const) : i === half ? (2 as const) : (1 as const),
    }));
  });
}

/** Beats with the notes that sound in each; notes and beats by time. */
export function heardBeats(beats: readonly Place[], notes: readonly HeardNote[]): readonly HeardBeat[] {
  let heard: HeardNote[] = [];
  let next = 0;
  return beats.map((beat) => {
    heard = heard.filter((n) => n.rings > beat.from);
    for (let n = notes[next]; n && n.from < beat.to; n = notes[next]) {
      if (n.rings > beat.from) heard.push(n);
      next += 1;
    }
    const sounding = heard.filter((n) => n.to > beat.from);
    return { ...beat, notes: sounding, ringing: heard.filter((n) => n.to <= beat.from) };
  });
}
