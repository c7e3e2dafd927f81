import { STAFF_AT_FULL_SIZE } from '@/core/engraving';
import type { Paper } from '@/core/studio';

/** How large what is printed stands on its paper. */
export const SIZES = ['large', 'normal', 'compact'] as const;
export type PrintSize = (typeof SIZES)[number];

/** CSS pixels to a millimetre. */
const PX = 96 / 25.4;
export const inPixels = (millimetres: number): number => millimetres * PX;

interface Sheet {
  /** Millimetres, upright (ISO 216; ANSI/ASME Y14.1). */
  readonly width: number;
  readonly height: number;
  /** As a style sheet calls it, and as it is called. */
  readonly name: string;
  readonly called: string;
}
export const SHEETS: Readonly<Record<Paper, Sheet>> = {
  a4: { width: 210, height: 297, name: 'A4', called: 'A4' },
  letter: { width: 215.9, height: 279.4, name: 'letter', called: 'Letter' },
};

/** What each is called. */
export const PAPER_NAMES: Readonly<Record<Paper, string>> = { a4: SHEETS.a4.called, letter: SHEETS.letter.called };

/** Millimetres that a printer may not reach, and a hand holds. */
export const MARGIN = 13;

interface Size {
  /** Of five staff lines, in millimetres. */
  readonly staff: number;
  /** Of text, in points. */
  readonly text: number;
}
export const PRINT: Readonly<Record<PrintSize, Size>> = {
  large: { staff: 11, text: 14 },
  normal: { staff: 8, text: 11 },
  compact: { staff: 6.5, text: 9.5 },
};

/** Percent of the engraver's own size at which a staff is as high as is printed. */
export const engravingScale = (size: PrintSize): number =>
  Math.round((inPixels(PRINT[size].staff) / STAFF_AT_FULL_SIZE) * 1000) / 10;

/** Braces and names stand so many pixels to the left of the first staff. */
export const GUTTER = 12;

/** The width of what is printed, in pixels. */
export const contentWidth = (paper: Paper): number => Math.floor(inPixels(SHEETS[paper].width - 2 * MARGIN));
/** Its height. */
export const contentHeight = (paper: Paper): number => Math.floor(inPixels(SHEETS[paper].height - 2 * MARGIN));
