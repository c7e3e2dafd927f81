import { ok, type Result } from '@/core/result';
import type { Score } from '@/core/score';
import { placeSections, type PlacedSection } from '@/core/sections';
import type { PieceStudio } from '@/core/sheet';
import { drawBars } from './draw-bars';
import type { DrawnExcerpt } from './drawn-sheet';
import type { SheetChoices, SheetHands } from './sheet-choices';

/** Bars of a piece as they are printed. */
export interface DrawnPiece extends PieceStudio {
  readonly score: Score;
  readonly places: readonly PlacedSection[];
  /** Both included. */
  readonly bars: readonly [number, number];
  readonly excerpt: DrawnExcerpt;
}

/** Draws a piece, or the bars of one of its sections. */
export async function drawPiece(
  studio: PieceStudio,
  sectionId: string | null,
  choices: SheetChoices,
  hands: SheetHands,
): Promise<Result<DrawnPiece>> {
  const read = await hands.scoreOf(studio.piece);
  if (!read.ok) return read;
  const score = read.value;
  const places = placeSections(score, studio.sections);
  const place = places.find((p) => p.section.id === sectionId) ?? null;
  const bars = place ? ([place.from, place.to] as const) : ([0, score.bars.length - 1] as const);
  const excerpt = await drawBars({ ...studio, score, from: bars[0], to: bars[1] }, choices, hands);
  return excerpt.ok ? ok({ ...studio, score, places, bars, excerpt: excerpt.value }) : excerpt;
}
