import { z } from 'zod';
import { INSTRUMENT_IDS } from '../instruments';
import { LINES } from './lines';

/** Who plays: one part of the score or several, by part id, all of a staff or one of its two lines, and on what. */
export const playerSchema = z.object({
  parts: z.array(z.string().min(1).max(120)).min(1).max(200),
  line: z.enum(LINES).optional(),
  instrument: z.enum(INSTRUMENT_IDS).optional(),
});
export type Player = z.infer<typeof playerSchema>;
