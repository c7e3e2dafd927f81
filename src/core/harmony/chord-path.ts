import { CANDIDATES, fitOf, HARMONY_WEIGHTS, keyAt } from './chord-fit';
import type { KeySpan } from './find-keys';
import type { HeardBeat } from './heard-beats';

/** What a change of chord costs at a beat. */
function changeAt({ segment }: HeardBeat, alone: boolean): number {
  const w = HARMONY_WEIGHTS;
  if (segment.downbeat) return alone ? w.aloneDownbeat : w.changeOnDownbeat;
  return alone ? w.aloneChange : w.change;
}

const bestOf = (values: readonly number[]): number =>
  values.reduce((m, v, k) => (v > (values[m] ?? -Infinity) ? k : m), 0);

/** How well every candidate fits a beat; null where nothing sounds. */
function fitsOf(h: HeardBeat, keys: readonly KeySpan[], alone: boolean): readonly number[] | null {
  if (h.silent) return null;
  const bass = h.bass === null ? null : h.bass % 12;
  return CANDIDATES.map((c) => fitOf(c, h.weights, bass, keyAt(keys, h.segment.bar), alone));
}

/**
 * The best way through the chords, beat by beat, as places in `CANDIDATES`: a dynamic programme in which staying is
 * free and changing has a price.
 */
export function chordPath(heard: readonly HeardBeat[], keys: readonly KeySpan[], alone: boolean): readonly number[] {
  let values: number[] = CANDIDATES.map(() => 0);
  const backs: number[][] = [];
  heard.forEach((h, i) => {
    const fit = fitsOf(h, keys, alone);
    const best = bestOf(values);
    const change = i === 0 ? 0 : changeAt(h, alone);
    const back: number[] = [];
    const top = values[best] ?? 0;
    values = CANDIDATES.map((_, k) => {
      const stay = values[k] ?? 0;
      const come = top - change;
      back[k] = stay >= come ? k : best;
      return Math.max(stay, come) + (fit ? (fit[k] ?? 0) : 0);
    });
    backs.push(back);
  });
  let at = bestOf(values);
  const path: number[] = [];
  for (let i = heard.length - 1; i >= 0; i -= 1) {
    path.unshift(at);
    at = backs[i]?.[at] ?? at;
  }
  return path;
}
