/** What the engraver is told, and what of its drawings is let through. In: a width in CSS pixels, a size in percent. */
export { engraverOptions, STAFF_AT_FULL_SIZE, type EngraveOptions } from './engraver-options';
export { isSafeDrawing } from './safe-drawing';
