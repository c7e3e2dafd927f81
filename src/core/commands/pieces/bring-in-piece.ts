import { instrumentFromWords, type NamedInstrument } from '../../instruments';
import type { PlayerChoice } from '../../players';
import { ok } from '../../result';
import { clampText, MOST, recallPiece, type Piece } from '../../studio';
import { command, put } from '../command';

/** A piece as its file was read. */
export interface ReadPiece {
  readonly format: Piece['format'];
  readonly text: string;
  readonly encoding: Piece['encoding'];
  readonly bom: boolean;
  readonly original: string | null;
  readonly title: string;
  readonly composer: string;
  /** Whose part it may be, the usual one first. */
  readonly players: readonly PlayerChoice[];
  /** Our own field from an earlier export, as text. */
  readonly remembered: string | null;
  readonly warnings: number;
}

export interface BringInPiece {
  readonly read: ReadPiece;
  readonly fileName: string;
  /** What the teacher said before, where it was said. */
  readonly title?: string;
  readonly instrument?: string;
  /** Whose part it is; the usual one where nothing is said. */
  readonly player?: PlayerChoice;
  readonly verb: 'brought in' | 'begun' | 'laid out';
}

/** What it is played on: what the teacher wrote, else that of the part; a name unknown to us is kept in its words. */
function instrumentFor(player: PlayerChoice | undefined, written: string | undefined): NamedInstrument {
  if (written !== undefined) return instrumentFromWords(written);
  const told = player?.told.instrument ?? 'piano';
  return told === 'other' && player
    ? { instrument: told, instrumentWords: clampText(player.name, 60) }
    : { instrument: told };
}

/** Whose part it is, where the file has several. */
function playerOf(player: PlayerChoice | undefined, read: ReadPiece): Pick<Piece, 'player'> {
  if (player === undefined || read.players.length < 2) return {};
  const { instrument: _, ...part } = player.player;
  return { player: part };
}

/** Puts a piece on the shelf, with the sections and marks that it remembers. What was cut to fit is said. */
export const bringInPiece = command({
  asks: () => ({}),
  run: (
    _stored,
    { read, fileName, title, instrument, player = read.players[0], verb }: BringInPiece,
    { now, newId },
  ) => {
    const id = newId();
    const said = title ?? (read.title || fileName.replace(/\.[^.]+$/, ''));
    const called = clampText(said, MOST.title);
    const recalled = read.remembered === null ? null : recallPiece(read.remembered, id);
    const marks = recalled?.marks.length ?? 0;
    const notes = [
      marks > 0 ? `with its ${marks} marks` : '',
      read.warnings > 0 ? `with ${read.warnings} ${read.warnings === 1 ? 'note' : 'notes'} about the file` : '',
      called !== said || read.composer.length > MOST.title ? 'its title or composer was too long and is cut' : '',
      read.remembered !== null && recalled === null ? 'the marks it carried could not be read' : '',
    ].filter((n) => n !== '');
    return ok({
      label: `${called} ${verb}`,
      changes: [
        put('pieces', {
          id,
          title: called,
          composer: clampText(read.composer, MOST.title),
          format: read.format,
          fileName: clampText(fileName, MOST.title),
          source: read.text,
          encoding: read.encoding,
          bom: read.bom,
          original: read.original,
          ...instrumentFor(player, instrument),
          ...playerOf(player, read),
          targetTempo: null,
          addedAt: now,
        }),
        ...(recalled?.sections ?? []).map((s) => put('sections', s)),
        ...(recalled?.marks ?? []).map((m) => put('marks', m)),
      ],
      says: `${called} is on the shelf${notes.length > 0 ? `, ${notes.join(', ')}` : ''}.`,
      made: id,
    });
  },
});
