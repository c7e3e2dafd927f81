/** What was found on the pictures of a piece's pages, or cut there by hand. Lengths in pixels of the kept picture. */
import { z } from 'zod';
import { changed, id } from './fields';

const pixels = z.number().min(-10_000).max(20_000);

/** A box on a page: one bar, or several where only one is drawn (rests). */
export const boxSchema = z.object({
  /** Ids of its bars in the piece, in order. */
  bars: z.array(id).min(1).max(200),
  from: pixels,
  to: pixels,
  /** It was found with doubt, and nobody has looked at it yet. */
  unsure: z.boolean().optional(),
  /** It is drawn as a rest of several bars, and nobody has said yet of how many. */
  longRest: z.boolean().optional(),
});

/** Staves that are played together, from left to right. */
export const pageSystemSchema = z.object({
  /** Top line and bottom line of each staff, from the highest. */
  staves: z
    .array(z.tuple([pixels, pixels]))
    .min(1)
    .max(40),
  /** What is cut out for its bars reaches from here to here: ledger lines and words with it. */
  upper: pixels,
  lower: pixels,
  boxes: z.array(boxSchema).min(1).max(200),
});

/** Where bars lie on the picture of a page; its id is that of the page. */
export const layoutSchema = z.object({
  id,
  pieceId: id,
  /** Pages follow one another by this. */
  order: z.number(),
  /** Of the kept picture. */
  width: z.number().int().min(1).max(20_000),
  height: z.number().int().min(1).max(20_000),
  /** From one line of a staff to the next. */
  space: z.number().min(1).max(400),
  systems: z.array(pageSystemSchema).max(80),
  ...changed,
});
