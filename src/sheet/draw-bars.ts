import type { EngraveOptions } from '@/core/engraving';
import type { ExcerptRequest } from '@/core/musicxml';
import { playedBy, type Player } from '@/core/players';
import { ok, type Result } from '@/core/result';
import type { Score } from '@/core/score';
import { playerFor, type Mark, type Piece, type Settings, type Student } from '@/core/studio';
import { lineLayout } from '@/ui';
import { placeMap, seenMarks, type FingerView, type SeenMarks } from '@/marked';
import type { DrawnExcerpt } from './drawn-sheet';
import { contentWidth, engravingScale, GUTTER } from './paper';
import type { SheetChoices, SheetFingers, SheetHands } from './sheet-choices';

/** Some bars of a piece, and for whom. */
export interface BarsToDraw {
  readonly piece: Piece;
  readonly score: Score;
  readonly student: Student | null;
  readonly settings: Settings | null;
  readonly marks: readonly Mark[];
  /** Both included. */
  readonly from: number;
  readonly to: number;
  /** The beginning is to be found: where the hands are is drawn beside it. */
  readonly place?: boolean;
  /** Every bar has its number. */
  readonly numbered?: boolean;
}

/** Only the player's part is printed where there are others. */
const partsOf = (score: Score, player: Player): Pick<ExcerptRequest, 'parts'> => {
  const mine = score.parts.map((p) => p.id).filter((id) => player.parts.includes(id));
  return mine.length === 0 || mine.length === score.parts.length ? {} : { parts: mine };
};

const VIEW: Readonly<Record<Exclude<SheetFingers, 'chosen'>, FingerView>> = {
  boxes: 'boxes',
  'box-changes': 'box-changes',
};
const viewOf = (seen: SeenMarks, fingers: SheetFingers): FingerView =>
  fingers === 'chosen' ? seen.view : VIEW[fingers];

/** Pixels that a line of music needs at its end. */
const AFTER = 8;

/** The width that a line of music really takes; 0 where there is none. */
const widthOf = (svg: string | undefined): number =>
  svg === undefined ? 0 : Math.max(0, ...[...lineLayout(svg).bars.values()].map((b) => b.x + b.width)) + AFTER;

/** Draws some bars as they are printed, with what is marked at them; also for a narrow screen where that is asked. */
export async function drawBars(
  { piece, score, student, settings, marks: every, from, to, place = false, numbered = false }: BarsToDraw,
  choices: SheetChoices,
  hands: SheetHands,
  narrow: EngraveOptions | null = null,
): Promise<Result<DrawnExcerpt>> {
  const player = playerFor(score, piece, student);
  const played = playedBy(score, player);
  const marks = every.filter((m) => m.pieceId === piece.id);
  const kept = seenMarks(marks, { piece, student, settings, played, from, to });
  const seen = { ...kept, view: viewOf(kept, choices.fingers) };
  const isBare = seen.fingers.size > 0 || ['none', 'boxes', 'box-changes'].includes(seen.view);
  const request = { from, to, withoutFingerings: isBare, ...partsOf(score, player) };
  const lines = await hands.engrave(piece, request, {
    width: contentWidth(choices.paper) - GUTTER,
    scale: engravingScale(choices.size),
    close: true,
    numbered,
  });
  if (!lines.ok) return lines;
  const small = narrow ? await hands.engrave(piece, request, { ...narrow, numbered }) : ok([]);
  if (!small.ok) return small;
  const instrument = player.instrument ?? piece.instrument;
  return ok({
    lines: lines.value,
    lastWidth: widthOf(lines.value[lines.value.length - 1]),
    narrow: small.value,
    played,
    seen,
    label: piece.title,
    place: place ? placeMap(played, instrument, kept, [from, to]) : null,
  });
}
