import { z } from 'zod';
import { INSTRUMENT_IDS } from '../instruments';

/** Lines of a staff that two players share: the upper notes or the lower ones. */
export const LINES = ['upper', 'lower'] as const;
export type Line = (typeof LINES)[number];

/** Who plays: one part of the score or several, by part id, all of a staff or one of its two lines, and on what. */
export const playerSchema = z.object({
  parts: z.array(z.string().min(1).max(120)).min(1).max(200),
  line: z.enum(LINES).optional(),
  instrument: z.enum(INSTRUMENT_IDS).optional(),
});
export type Player = z.infer<typeof playerSchema>;

/**
 * What a player reads, as one word: equal for two players of the same notes, whatever they play them on.
 *
 * @example playerKey({ parts: ['P1'], line: 'lower', instrument: 'horn' }) // → 'P1:lower'
 */
export const playerKey = (player: Pick<Player, 'parts' | 'line'>): string =>
  `${player.parts.join('+')}${player.line === undefined ? '' : `:${player.line}`}`;
