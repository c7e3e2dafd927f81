import type { EngraveOptions } from '@/core/engraving';
import type { Result } from '@/core/result';
import { placeSections } from '@/core/sections';
import { weekSheet, type SheetExcerpt, type SheetPiece, type SheetStudio, type WeekSheet } from '@/core/sheet';
import { drawBars } from './draw-bars';
import type { DrawnExcerpt, DrawnSheet } from './drawn-sheet';
import type { SheetChoices, SheetHands } from './sheet-choices';

/** Pixels of the music on a telephone of 360 (what most are, or wider), and how large it is there. */
const NARROW: EngraveOptions = { width: 326, scale: 44, close: true };

interface ReadPieces {
  readonly read: ReadonlyMap<string, SheetPiece>;
  /** Why others cannot be read. */
  readonly unread: ReadonlyMap<string, string>;
}

/** The pieces of the week as they are read. */
async function readPieces(studio: SheetStudio, hands: SheetHands): Promise<ReadPieces> {
  const read = new Map<string, SheetPiece>();
  const unread = new Map<string, string>();
  for (const piece of studio.pieces) {
    const score = await hands.scoreOf(piece);
    if (!score.ok) {
      unread.set(piece.id, score.issue.message);
      continue;
    }
    const places = placeSections(
      score.value,
      studio.places.filter((p) => p.pieceId === piece.id),
    );
    read.set(piece.id, { piece, score: score.value, places });
  }
  return { read, unread };
}

/** The music of one excerpt of the week. */
const drawExcerpt = (
  { studio, choices, hands, narrow }: Drawing,
  { piece, score }: SheetPiece,
  { from, to, place, numbered }: SheetExcerpt,
): Promise<Result<DrawnExcerpt>> =>
  drawBars({ ...studio, piece, score, from, to, place, numbered }, choices, hands, narrow ? NARROW : null);

interface Drawing {
  readonly studio: SheetStudio;
  readonly choices: SheetChoices;
  readonly hands: SheetHands;
  readonly narrow: boolean;
}

/**
 * Draws the sheet of a week: its words, and each excerpt once. What cannot be drawn is named in `failed`; the rest is
 * there. Stops early when the signal says so.
 */
export async function drawWeek(
  studio: SheetStudio,
  choices: SheetChoices,
  hands: SheetHands,
  narrow = false,
): Promise<DrawnSheet> {
  const { read: pieces, unread } = await readPieces(studio, hands);
  const week: WeekSheet = weekSheet({ ...studio, pieces });
  const music = new Map<string, DrawnExcerpt>();
  const failed = new Map(
    studio.assignment.items.flatMap(({ id, pieceId }) => {
      const why = unread.get(pieceId ?? '');
      return why === undefined ? [] : [[id, why] as const];
    }),
  );
  for (const excerpt of week.excerpts) {
    if (hands.signal?.aborted === true) break;
    const of = pieces.get(excerpt.pieceId);
    if (of) {
      const drawn = await drawExcerpt({ studio, choices, hands, narrow }, of, excerpt);
      if (drawn.ok) music.set(excerpt.key, drawn.value);
      else failed.set(excerpt.key, drawn.issue.message);
    }
  }
  return { week, pieces, music, failed };
}
