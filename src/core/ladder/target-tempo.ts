import { tempoAt, type Score } from '../score';
import { withTargetOf, type Piece, type Student } from '../studio';

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

/**
 * The same for one student: their own target of the piece where they have one.
 *
 * @example targetTempoFor({ id: 'p', targetTempo: 90 }, { tempos: { p: 72 } }, score, 0) // → 72
 */
export const targetTempoFor = (
  piece: Pick<Piece, 'id' | 'targetTempo'>,
  student: Pick<Student, 'tempos'> | null,
  score: Score,
  from: number,
): number => targetTempo(withTargetOf(piece, student), score, from);
