import { CHORD_KINDS } from './chord-kinds';
import type { BeatChord } from './harmony';

/** One chord of a passage reduced to blocks: keys low to high, the bass below, the chord in close position above it. */
export interface ChordBlock {
  readonly bar: number;
  readonly onset: number;
  readonly length: number;
  readonly symbol: string;
  readonly keys: readonly number[];
}

/**
 * The passage blocked: one chord as long as it lasts within its bar, for the hand to find before it is played as
 * written.
 *
 * @example blockChords(findHarmony(scoreOf('[CEG]4|')).beats)[0].symbol // → 'C'
 */
export function blockChords(beats: readonly BeatChord[]): ChordBlock[] {
  const out: ChordBlock[] = [];
  for (const b of beats) {
    const last = out[out.length - 1];
    if (last && last.bar === b.bar && last.symbol === b.symbol) {
      out[out.length - 1] = { ...last, length: last.length + b.length };
      continue;
    }
    const kind = CHORD_KINDS.find((k) => k.name === b.kind);
    const root = b.root;
    const bass = b.bass ?? root;
    const keys =
      root === null || !kind || bass === null
        ? []
        : [48 + (bass % 12), ...kind.tones.map((t) => 60 + ((root + t) % 12))];
    out.push({
      bar: b.bar,
      onset: b.onset,
      length: b.length,
      symbol: b.symbol,
      keys: [...new Set(keys)].sort((x, y) => x - y),
    });
  }
  return out;
}
