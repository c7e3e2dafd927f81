import type { TempoMark } from '../../score';
import { barIndex, quarterBpm, type Ticks } from '../../units';
import type { RawMeasure } from '../measure';

/** A tempo of a part at its place in the piece. */
export interface PlacedTempo {
  readonly bar: number;
  readonly onset: Ticks;
  readonly tempo: RawMeasure['tempos'][number];
}

/** The tempos of a piece in order, in quarters a minute; of two at one moment the later stands. */
export function tempoMarks(raw: readonly PlacedTempo[]): TempoMark[] {
  const marks: TempoMark[] = [];
  let current = 120;
  for (const { bar, onset, tempo } of [...raw].sort((a, b) => a.onset - b.onset)) {
    current =
      'bpm' in tempo.tempo
        ? tempo.tempo.bpm
        : (current * tempo.tempo.fresh.n * tempo.tempo.old.d) / (tempo.tempo.fresh.d * tempo.tempo.old.n);
    const last = marks[marks.length - 1];
    const mark: TempoMark = {
      bar: barIndex(bar),
      onset,
      bpm: quarterBpm(Math.min(2000, Math.max(1, current))),
      printed: tempo.printed,
    };
    if (last && last.onset === onset) marks[marks.length - 1] = { ...mark, printed: mark.printed ?? last.printed };
    else marks.push(mark);
  }
  return marks;
}
