import { playerChoices, playerKey, usualPlayer, type Player } from '../players';
import type { Score } from '../score';
import type { Ladder, Piece, Student } from './schemas';

/**
 * Who plays a piece: the student's own part of it where that was said, else the piece's, else whose part fits its
 * instrument. A part that is not in the score any more is as if nothing was said.
 *
 * @example playerFor(score, piece, null).parts // → ['P1']
 */
export function playerFor(
  score: Score,
  piece: Pick<Piece, 'id' | 'instrument' | 'player'>,
  student: Pick<Student, 'players'> | null,
): Player {
  const there = new Set(score.parts.map((p) => p.id));
  const isThere = (p: Pick<Player, 'parts'> | undefined): boolean =>
    p !== undefined && p.parts.every((id) => there.has(id));
  const own = student?.players?.[piece.id];
  if (own && isThere(own)) return own.instrument === undefined ? { ...own, instrument: piece.instrument } : own;
  if (piece.player && isThere(piece.player)) return { ...piece.player, instrument: piece.instrument };
  return usualPlayer(score, piece.instrument);
}

/**
 * What a player's part is called; in the piece's own words where it has but one part.
 *
 * @example playerName(score, { parts: ['P1'] }) // → 'P1'
 */
export function playerName(score: Score, player: Player): string {
  const key = playerKey(player);
  const choices = playerChoices(score);
  return (
    choices.find((c) => c.key === key)?.name ??
    player.parts.map((id) => choices.find((c) => c.player.parts.includes(id))?.name ?? id).join(', ')
  );
}

/**
 * How the ladders of a student's own part are kept apart; undefined for the usual player of the piece.
 *
 * @example ladderPlayer({ id: 'p' }, null) // → undefined
 */
export function ladderPlayer(
  piece: Pick<Piece, 'id' | 'player'>,
  student: Pick<Student, 'players'> | null,
): string | undefined {
  const own = student?.players?.[piece.id];
  if (own === undefined) return undefined;
  const key = playerKey(own);
  return piece.player !== undefined && playerKey(piece.player) === key ? undefined : key;
}

/**
 * The ladder of a section for who plays it: the student's own, else everyone's.
 *
 * @example ladderFor([], 'section-a', undefined) // → null
 */
export function ladderFor(
  ladders: readonly Ladder[],
  sectionId: string,
  player: string | undefined,
  studentId?: string,
): Ladder | null {
  const those = ladders.filter((l) => l.sectionId === sectionId && l.player === player);
  const own = studentId === undefined ? undefined : those.find((l) => l.studentId === studentId);
  return own ?? those.find((l) => l.studentId === undefined) ?? null;
}

/**
 * The ladders of some pieces as one student climbs them: of their own part, their own where they have one.
 *
 * @example laddersOf([], [], { id: 's' }) // → []
 */
export function laddersOf(
  ladders: readonly Ladder[],
  pieces: readonly Pick<Piece, 'id' | 'player'>[],
  student: Pick<Student, 'id' | 'players'>,
): readonly Ladder[] {
  return pieces.flatMap((piece) => {
    const those = ladders.filter((l) => l.pieceId === piece.id);
    const player = ladderPlayer(piece, student);
    const sections = [...new Set(those.map((l) => l.sectionId))];
    return sections.flatMap((id) => ladderFor(those, id, player, student.id) ?? []);
  });
}

/**
 * A piece with the target that a student has of it, where it is another than the piece's.
 *
 * @example withTargetOf({ id: 'p', targetTempo: 90 }, { tempos: { p: 72 } }).targetTempo // → 72
 */
export const withTargetOf = <P extends Pick<Piece, 'id' | 'targetTempo'>>(
  piece: P,
  student: Pick<Student, 'tempos'> | null,
): P => ({ ...piece, targetTempo: student?.tempos?.[piece.id] ?? piece.targetTempo });
