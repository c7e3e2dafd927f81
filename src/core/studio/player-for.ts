import { playerChoices, playerKey, usualPlayer, type Player } from '../players';
import type { Score } from '../score';
import type { Piece, Student } from './schemas';

/**
 * Who plays a piece: the student's own part of it where that was said, else the piece's, else whose part fits its
 * instrument. A part that is not in the score any more is as if nothing was said.
 *
 * @example playerFor(score, piece, null).instrument // → 'piano'
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
