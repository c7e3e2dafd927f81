import type { BeatToTap } from './judge-taps';

/** What sounds, as far as tapping asks. */
interface Sounding {
  readonly at: number;
  readonly noteId: string;
  readonly bar: number;
  readonly staff: number;
}

/** Notes nearer than this to one another are one stroke, in seconds: a chord, a grace note. */
const TOGETHER = 0.02;

/**
 * The rhythm of what sounds, as one row of strokes: what begins together is tapped once.
 *
 * @example
 * tapRow([{ at: 1, noteId: 'a', bar: 0, staff: 1 }, { at: 1, noteId: 'b', bar: 0, staff: 1 }]).length // → 1
 */
export function tapRow(sounds: readonly Sounding[]): readonly BeatToTap[] {
  const row: BeatToTap[] = [];
  for (const { at, noteId, bar } of [...sounds].sort((a, b) => a.at - b.at)) {
    const last = row[row.length - 1];
    if (!last || at - last.at >= TOGETHER) row.push({ noteId, at, bar });
  }
  return row;
}
