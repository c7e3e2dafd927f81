import type { HeardBeat } from './beats';
import { FIGURE_PRICES, type HeardNote } from './note-figures';
import { HARMONY_WEIGHTS as W } from './weights';

/**
 * What sounds in any run of beats, by pitch class, in beats: how much speaks for a chord with the tone, and what the
 * tone costs a chord without it. Sums over beats, so that every run is a difference.
 */
export interface SpanContent {
  readonly credit: readonly Float64Array[];
  readonly price: readonly Float64Array[];
  /** Of the credit of each pitch class, how much is spelled with each letter: place 7 × class + letter. */
  readonly spelled: readonly Float64Array[];
  /** Lowest note at the beginning of each beat that is not in passing; null in silence. */
  readonly bass: readonly (HeardNote | null)[];
  /** Whether a beat begins a bar. */
  readonly barLine: readonly boolean[];
}

/** The lowest note of a beat that carries weight: no passing note, and heard where the beat begins if any is. */
function bassOf(beat: HeardBeat): HeardNote | null {
  const least = (notes: readonly HeardNote[]): HeardNote | null =>
    notes.reduce<HeardNote | null>((low, n) => (low === null || n.key < low.key ? n : low), null);
  const over = least(beat.ringing);
  if (over && beat.notes.every((n) => n.key > over.key)) return over;
  const weighty = beat.notes.filter((n) => n.figure !== 'passing');
  const atStart = weighty.filter((n) => n.from <= beat.from);
  const low = least(weighty);
  const first = least(atStart);
  // A figure that begins above its bass is heard from the bass.
  return first && low && first.key - low.key <= 2 ? first : (low ?? least(beat.notes));
}

const added = (before: Float64Array | undefined, size: number): Float64Array => {
  const sum = new Float64Array(size);
  if (before) sum.set(before);
  return sum;
};

export function spanContent(beats: readonly HeardBeat[], alone: boolean): SpanContent {
  const credit: Float64Array[] = [new Float64Array(12)];
  const price: Float64Array[] = [new Float64Array(12)];
  const spelled: Float64Array[] = [new Float64Array(84)];
  const bass: (HeardNote | null)[] = [];
  beats.forEach((beat, i) => {
    const c = added(credit[i], 12);
    const p = added(price[i], 12);
    const s = added(spelled[i], 84);
    const low = bassOf(beat);
    bass.push(low);
    const weights = beat.notes.map((n) => {
      const share = (Math.min(n.to, beat.to) - Math.max(n.from, beat.from)) / (beat.to - beat.from);
      return share * (n.from === beat.from ? W.onBeat : 1) * (n === low ? W.lowest : 1);
    });
    const total = weights.reduce((a, b) => a + b, 0);
    const worth = (alone ? W.alone : 1) / Math.max(total, 0.5);
    beat.notes.forEach((n, k) => {
      const w = (weights[k] ?? 0) * worth;
      const cost = FIGURE_PRICES[n.figure];
      const pc = n.key % 12;
      // A held bass says nothing of the chords over it.
      const mine = n.figure === 'pedal' ? w * W.pedalCredit : w * (W.figureCredit + (1 - W.figureCredit) * cost);
      c[pc] = (c[pc] ?? 0) + mine;
      p[pc] = (p[pc] ?? 0) + w * cost;
      if (n.letter !== null) s[7 * pc + n.letter] = (s[7 * pc + n.letter] ?? 0) + mine;
    });
    for (const n of beat.ringing) {
      const pc = n.key % 12;
      c[pc] = (c[pc] ?? 0) + (n === low ? W.ringing : W.ringing / 3) * (alone ? W.alone : 1);
    }
    credit.push(c);
    price.push(p);
    spelled.push(s);
  });
  return { credit, price, spelled, bass, barLine: beats.map((b) => b.strength === 3) };
}

/** What one pitch class sums to from beat `from` to before beat `to`. */
export const between = (sums: readonly Float64Array[], from: number, to: number, at: number): number =>
  (sums[to]?.[at] ?? 0) - (sums[from]?.[at] ?? 0);
