import type { EngraveOptions } from '@/core/engraving';
import type { ExcerptRequest } from '@/core/musicxml';
import { playedBy, type Player } from '@/core/players';
import { ok, type Result } from '@/core/result';
import type { Score } from '@/core/score';
import { placeSections } from '@/core/sections';
import { weekSheet, type SheetExcerpt, type SheetPiece, type WeekSheet } from '@/core/sheet';
import {
  playerFor,
  type AssignmentEvent,
  type Day,
  type Ladder,
  type Mark,
  type Piece,
  type Section,
  type Settings,
  type Student,
  type Zone,
} from '@/core/studio';
import { seenMarks, type FingerView, type SeenMarks } from '@/marked';
import type { DrawnExcerpt, DrawnSheet } from './drawn-sheet';
import { contentWidth, engravingScale, GUTTER, type Paper, type PrintSize } from './paper';

/** What the fingers on a sheet are: those that are chosen for the student, or boxes to write them in. */
export const SHEET_FINGERS = ['chosen', 'boxes'] as const;
export type SheetFingers = (typeof SHEET_FINGERS)[number];

export interface SheetChoices {
  readonly paper: Paper;
  readonly size: PrintSize;
  readonly fingers: SheetFingers;
}

/** Everything that is kept about the week of a student. */
export interface SheetStudio {
  readonly student: Student;
  readonly assignment: AssignmentEvent;
  readonly lessonDays: readonly Day[];
  readonly pieces: readonly Piece[];
  readonly places: readonly Section[];
  readonly ladders: readonly Ladder[];
  readonly marks: readonly Mark[];
  readonly settings: Settings | null;
  readonly zone: Zone;
}

/** Who reads and engraves. */
export interface SheetHands {
  readonly scoreOf: (piece: Piece) => Promise<Result<Score>>;
  /** Bars as one drawing a line. */
  readonly engrave: (
    piece: Piece,
    request: ExcerptRequest,
    options: EngraveOptions,
  ) => Promise<Result<readonly string[]>>;
  /** Told after each excerpt how many of how many are there. */
  readonly onDrawn?: (drawn: number, of: number) => void;
  readonly signal?: AbortSignal;
}

/** Pixels of the music on a telephone of 360 (what most are, or wider), and how large it is there. */
const NARROW: EngraveOptions = { width: 326, scale: 44, close: true };

/** The pieces of the week that can be read. */
async function readPieces(studio: SheetStudio, hands: SheetHands): Promise<ReadonlyMap<string, SheetPiece>> {
  const read = new Map<string, SheetPiece>();
  for (const piece of studio.pieces) {
    const score = await hands.scoreOf(piece);
    if (!score.ok) continue;
    const places = placeSections(
      score.value,
      studio.places.filter((p) => p.pieceId === piece.id),
    );
    read.set(piece.id, { piece, score: score.value, places });
  }
  return read;
}

/** Only the player's part is printed where there are others. */
const partsOf = (score: Score, player: Player): Pick<ExcerptRequest, 'parts'> => {
  const mine = score.parts.map((p) => p.id).filter((id) => player.parts.includes(id));
  return mine.length === 0 || mine.length === score.parts.length ? {} : { parts: mine };
};

const viewOf = (seen: SeenMarks, fingers: SheetFingers): FingerView => (fingers === 'boxes' ? 'boxes' : seen.view);

interface Drawing {
  readonly studio: SheetStudio;
  readonly choices: SheetChoices;
  readonly hands: SheetHands;
  readonly narrow: boolean;
}

async function drawExcerpt(
  { studio, choices, hands, narrow }: Drawing,
  { piece, score }: SheetPiece,
  { from, to }: SheetExcerpt,
): Promise<Result<DrawnExcerpt>> {
  const player = playerFor(score, piece, studio.student);
  const played = playedBy(score, player);
  const about = { piece, student: studio.student, settings: studio.settings, played, from, to };
  const marks = studio.marks.filter((m) => m.pieceId === piece.id);
  const kept = seenMarks(marks, about);
  const seen = { ...kept, view: viewOf(kept, choices.fingers) };
  const isBare = seen.fingers.size > 0 || seen.view === 'none' || seen.view === 'boxes';
  const request = { from, to, withoutFingerings: isBare, ...partsOf(score, player) };
  const lines = await hands.engrave(piece, request, {
    width: contentWidth(choices.paper) - GUTTER,
    scale: engravingScale(choices.size),
    close: true,
  });
  if (!lines.ok) return lines;
  const small = narrow ? await hands.engrave(piece, request, NARROW) : ok([]);
  if (!small.ok) return small;
  return ok({ lines: lines.value, narrow: small.value, played, seen, label: piece.title });
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
  const pieces = await readPieces(studio, hands);
  const week: WeekSheet = weekSheet({ ...studio, pieces });
  const music = new Map<string, DrawnExcerpt>();
  const failed = new Map<string, string>();
  for (const [i, excerpt] of week.excerpts.entries()) {
    if (hands.signal?.aborted === true) break;
    const of = pieces.get(excerpt.pieceId);
    if (of) {
      const drawn = await drawExcerpt({ studio, choices, hands, narrow }, of, excerpt);
      if (drawn.ok) music.set(excerpt.key, drawn.value);
      else failed.set(excerpt.key, drawn.issue.message);
    }
    hands.onDrawn?.(i + 1, week.excerpts.length);
  }
  return { week, pieces, music, failed };
}
