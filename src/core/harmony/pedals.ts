import { rootName } from './chord-names';
import type { HeardBeat } from './beats';
import type { BeatChord, Pedal } from './harmony';
import { keyAt, type KeySpan } from './keys';
import type { HeardNote } from './note-figures';

/** A bass that stays through bars `from` to `to`, both included. */
interface HeldBass {
  readonly from: number;
  readonly to: number;
  readonly pitchClass: number;
}

const LEAST_BARS = 2;
/** From so many bars on a held bass is none of the chords over it; a shorter one may be the seventh of the next. */
const PEDAL_BARS = 3;

/** Runs of bars in which every lowest note is the same tone. */
export function heldBasses(beats: readonly HeardBeat[]): readonly HeldBass[] {
  const lows = new Map<number, Set<number>>();
  for (const beat of beats) {
    const tones = lows.get(beat.bar) ?? new Set<number>();
    lows.set(beat.bar, tones);
    const low = beat.notes.reduce<HeardNote | null>((l, n) => (l === null || n.key < l.key ? n : l), null);
    if (low) tones.add(low.key % 12);
  }
  const bars = [...lows.keys()];
  const out: HeldBass[] = [];
  for (let i = 0; i < bars.length;) {
    const [tone, ...more] = lows.get(bars[i] ?? -1) ?? [];
    if (tone === undefined || more.length > 0) {
      i += 1;
      continue;
    }
    let end = i;
    for (let k = i + 1; k < bars.length; k += 1) {
      const tones = lows.get(bars[k] ?? -1);
      if (tones?.size !== 1 || !tones.has(tone)) break;
      end = k;
    }
    if (end - i + 1 >= LEAST_BARS) out.push({ from: bars[i] ?? 0, to: bars[end] ?? 0, pitchClass: tone });
    i = end + 1;
  }
  return out;
}

/** Notes of a held bass marked as such, so that a chord over them is not charged for them. */
export function withPedalNotes(beats: readonly HeardBeat[], held: readonly HeldBass[]): readonly HeardBeat[] {
  if (held.length === 0) return beats;
  return beats.map((beat) => {
    const over = held.find((h) => h.to - h.from + 1 >= PEDAL_BARS && beat.bar >= h.from && beat.bar <= h.to);
    if (!over) return beat;
    const low = Math.min(...beat.notes.map((n) => n.key));
    return {
      ...beat,
      notes: beat.notes.map((n) =>
        n.key === low && n.key % 12 === over.pitchClass ? { ...n, figure: 'pedal' as const } : n,
      ),
    };
  });
}

/**
 * Pedals: a bass that stays while the chords over it change, for at least three bars, or two with a chord to which it
 * is foreign.
 */
export function findPedals(
  held: readonly HeldBass[],
  beats: readonly BeatChord[],
  keys: readonly KeySpan[],
): readonly Pedal[] {
  return held.flatMap(({ from, to, pitchClass }): Pedal[] => {
    const over = beats.filter((b) => b.bar >= from && b.bar <= to && b.root !== null);
    const chords = new Set(over.map((b) => `${b.root} ${b.kind}`));
    const roots = new Set(over.map((b) => b.root));
    const foreign = over.some((b) => !b.tones.includes(pitchClass));
    const long = to - from + 1 >= PEDAL_BARS;
    if (chords.size < 2 || (!foreign && (!long || roots.size < 2))) return [];
    return [{ from, to, pitchClass, name: rootName(pitchClass, keyAt(keys, from)) }];
  });
}
