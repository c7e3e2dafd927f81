import { instrumentFromWords, instrumentName, instrumentOf, type NamedInstrument } from '../../instruments';
import { playerKey, type Player } from '../../players';
import { ok } from '../../result';
import type { Score } from '../../score';
import { playerFor, playerName, type Piece } from '../../studio';
import { command, put } from '../command';
import { gone } from '../refusals';
import { fingersForInstrument, laddersForPlayer } from './put-aside';

export interface SetPlayer {
  readonly pieceId: string;
  /** For this student only; null for everyone who plays the piece. */
  readonly studentId: string | null;
  /** Whose part; null for a student gives the piece's own back. */
  readonly player: Player | null;
  /** The teacher's own words for the instrument, where they were said. */
  readonly instrument?: string;
  readonly score: Score;
}

const namedFor = (piece: Piece, player: Player, words: string | undefined): NamedInstrument =>
  words !== undefined && words.trim() !== ''
    ? instrumentFromWords(words)
    : player.instrument === undefined || player.instrument === piece.instrument
      ? {
          instrument: piece.instrument,
          ...(piece.instrumentWords === undefined ? {} : { instrumentWords: piece.instrumentWords }),
        }
      : { instrument: player.instrument };

const fingersInWords = (aside: number, back: number, was: string): string =>
  [
    aside > 0 ? `${aside} ${aside === 1 ? 'finger' : 'fingers'} for the ${was} put aside` : '',
    back > 0 ? `${back} back` : '',
  ]
    .filter((t) => t !== '')
    .join(', ');

/**
 * Says whose part of a piece it is, and on what: for everyone, or for one student. What was made for another
 * instrument is put aside and comes back with it; ladders are kept for each part.
 */
export const setPlayer = command({
  asks: ({ pieceId, studentId }: SetPlayer) => ({
    pieces: { ids: [pieceId] },
    marks: { pieceId },
    ladders: { pieceId },
    ...(studentId === null ? {} : { students: { ids: [studentId] } }),
  }),
  run: (stored, { studentId, player, instrument, score }: SetPlayer) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    if (studentId !== null) {
      const student = stored.students.find((s) => s.id === studentId);
      if (!student) return gone('student');
      const { [piece.id]: _, ...others } = student.players ?? {};
      const players = player === null ? others : { ...others, [piece.id]: player };
      return ok({
        label:
          player === null
            ? `${student.name} plays the usual part`
            : `${student.name} plays ${playerName(score, player)}`,
        changes: [put('students', { ...student, players })],
      });
    }
    if (player === null) return gone('part');
    const before = playerFor(score, piece, null);
    const named = namedFor(piece, player, instrument);
    const fingers = fingersForInstrument(stored.marks, piece.instrument, named.instrument);
    const { instrumentWords: _, ...rest } = piece;
    const { instrument: _i, ...part } = player;
    const said = fingersInWords(fingers.aside, fingers.back, instrumentOf(piece.instrument).name);
    return ok({
      label: `${piece.title}: ${playerName(score, player)}, ${instrumentName(named)}`,
      changes: [
        put('pieces', { ...rest, ...named, player: part }),
        ...fingers.changes,
        ...laddersForPlayer(stored.ladders, playerKey(before), playerKey(player)),
      ],
      ...(said === '' ? {} : { says: `${said}.` }),
    });
  },
});
