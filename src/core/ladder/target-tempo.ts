import { tempoAt, type Score } from '../score';

/** Quarters a minute where nothing is printed. */
const USUAL_TARGET = 90;

/**
 * The tempo that bars are to reach, whole quarters a minute: the teacher's target of the piece, else what is in force
 * where the bars begin. The one rule for ladders, lessons and weeks.
 *
 * @example targetTempo({ targetTempo: null }, score, 0) // → 80
 */
export function targetTempo(piece: { readonly targetTempo: number | null }, score: Score, from: number): number {
  const bar = score.bars[from] ?? score.bars[0];
  return Math.round(piece.targetTempo ?? (bar ? tempoAt(score, bar.onset) : USUAL_TARGET));
}
