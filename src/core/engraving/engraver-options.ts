/** How some bars are to be drawn. */
export interface EngraveOptions {
  /** CSS pixels. */
  readonly width: number;
  /** Percent of the engraver's natural size; 60 gives a staff of about 43 px. */
  readonly scale: number;
  /** Staves of a system close to one another, as on paper. */
  readonly close?: boolean;
  /** Every bar has its number, not only the first of a line. */
  readonly numbered?: boolean;
}

/** Of the engraver's natural size a staff has so many pixels from its first line to its last. */
export const STAFF_AT_FULL_SIZE = 72;

/** Between staves, in half spaces of a staff. */
const APART = 12;
const CLOSE = 7;

/**
 * What the engraver is told: one drawing a system, without margins, headings and links, music spaced as in print.
 *
 * @example engraverOptions({ width: 600, scale: 60 })['pageWidth'] // → 1000
 */
export const engraverOptions = ({
  width,
  scale,
  close = false,
  numbered = false,
}: EngraveOptions): Record<string, unknown> => ({
  // A page no higher than one system gives one SVG a system, so that lanes can stand between them.
  pageWidth: Math.max(100, Math.round((width * 100) / scale)),
  pageHeight: 100,
  adjustPageHeight: true,
  scale,
  breaks: 'auto',
  header: 'none',
  footer: 'none',
  pageMarginTop: 0,
  pageMarginBottom: 0,
  pageMarginLeft: 0,
  pageMarginRight: 0,
  // Words are drawn in the application's own face, which is wider than the one the engraver measures with.
  lyricSize: 3.5,
  lyricWordSpace: 3,
  spacingNonLinear: 0.55,
  spacingStaff: close ? CLOSE : APART,
  minLastJustification: 0.6,
  ...(numbered ? { mnumInterval: 1 } : {}),
  svgViewBox: false,
  svgRemoveXlink: true,
});
