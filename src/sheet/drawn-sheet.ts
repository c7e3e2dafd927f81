import type { Score } from '@/core/score';
import type { SheetPiece, WeekSheet } from '@/core/sheet';
import type { SeenMarks } from '@/marked';
import type { HandMapDrawing } from '@/ui';

/** Some bars as they are drawn on a sheet. */
export interface DrawnExcerpt {
  /** One drawing a line, as wide as the paper; and for a telephone. */
  readonly lines: readonly string[];
  readonly narrow: readonly string[];
  /** Pixels that the last of the wide lines takes of its width. */
  readonly lastWidth: number;
  /** What the player of it has. */
  readonly played: Score;
  readonly seen: SeenMarks;
  readonly label: string;
  /** Where the hands begin; null where it is not to be found, or not known. */
  readonly place: HandMapDrawing | null;
}

/** The sheet of a week with its music. */
export interface DrawnSheet {
  readonly week: WeekSheet;
  /** What it is of, by piece. */
  readonly pieces: ReadonlyMap<string, SheetPiece>;
  /** By the key of the excerpt. */
  readonly music: ReadonlyMap<string, DrawnExcerpt>;
  /** What could not be drawn, and why: by the key of the excerpt, or by the task where its piece cannot be read. */
  readonly failed: ReadonlyMap<string, string>;
}
