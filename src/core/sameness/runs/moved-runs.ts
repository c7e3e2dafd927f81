import type { BarContent, Line } from '../bar-content';
import { copiesInRow } from './copies-in-row';
import { found, type Found } from './found';
import type { IsExplained } from './selection';
import { widestCopies } from './widest-copies';

/** A single bar of fewer notes that comes higher is melody, not a copy. */
const LEAST_NOTES_OF_A_BAR = 3;

/**
 * Bars and the moves between them in turn: two stretches are moved copies where both agree. -1 for what cannot move.
 */
function withMoves(bars: readonly BarContent[], which: 'chromatic' | 'diatonic'): Int32Array {
  const row = new Int32Array(bars.length * 2).fill(-1);
  const classes = bars.reduce((most, bar) => Math.max(most, bar[which]), 0) + 1;
  // Moves lie above the classes; the widest there is between two keys or steps is far below this.
  const MOST_MOVE = 1000;
  bars.forEach((bar, i) => {
    if (!bar.anchor || bar[which] < 0) return;
    row[2 * i] = bar[which];
    const next = bars[i + 1]?.anchor;
    if (!next) return;
    const by = which === 'chromatic' ? next.key - bar.anchor.key : next.step - bar.anchor.step;
    row[2 * i + 1] = classes + MOST_MOVE + by;
  });
  return row;
}

/**
 * Stretches that come again higher or lower, by semitones or by steps of the key, the widest at each bar; what is
 * explained better is left out.
 */
export function movedRuns(line: Line, which: 'chromatic' | 'diatonic', isExplained: IsExplained): Found[] {
  const { bars } = line;
  const copies = widestCopies(bars.length);
  // What comes again in its place has not moved.
  const marks = bars.map((bar) => (which === 'chromatic' ? bar.anchor?.key : bar.anchor?.step) ?? 0);
  copiesInRow({ symbols: withMoves(bars, which), stride: 2, marks }, copies.offer);
  return copies.all((i, j, length) => {
    const [a, b] = [bars[i], bars[j]];
    const enough = length >= 2 || (a?.notes.length ?? 0) >= LEAST_NOTES_OF_A_BAR;
    if (!a?.anchor || !b?.anchor || !enough || isExplained(j, j + length)) return null;
    const semitones = b.anchor.key - a.anchor.key;
    const steps = b.anchor.step - a.anchor.step;
    return found('moved', i, j, length, { semitones, steps, diatonic: which === 'diatonic' });
  });
}
