import { placeSections } from '../sections';
import type { Score } from '../score';
import { ladderPlayer, type Piece, type Section, type StoredWay, type Student } from '../studio';
import { walkedWay, type WalkedPlace } from './walked-way';

/** What is stored of the ways through one or more pieces. */
interface KeptWays {
  readonly ways: readonly StoredWay[];
  /** Sections, chunks and joins. */
  readonly places: readonly Section[];
}

/**
 * The way through a piece as this student goes it, out of what is stored of several pieces. Null where there is none.
 *
 * @example wayOfPiece({ ways: [], places: [] }, { id: 'p' }, score, { id: 's' }) // → null
 */
export function wayOfPiece(
  { ways, places }: KeptWays,
  piece: Pick<Piece, 'id' | 'player'>,
  score: Score,
  student: Pick<Student, 'id' | 'players'>,
): readonly WalkedPlace[] | null {
  const ofPiece = <R extends { readonly pieceId: string }>(rows: readonly R[]): R[] =>
    rows.filter((row) => row.pieceId === piece.id);
  return walkedWay(ofPiece(ways), placeSections(score, ofPiece(places)), ladderPlayer(piece, student), student.id);
}
