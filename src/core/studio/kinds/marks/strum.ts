import { z } from 'zod';
import { id } from '../../fields';
import { markBase, type MarkKind } from '../mark-kind';

/** A strum or a picking pattern from a bar on, beat by beat: `D DU -U DU`, `p im am im`. */
export const strumSchema = z.object({
  ...markBase,
  kind: z.literal('strum'),
  barId: id,
  /** Beats with a space between them; the strokes of a beat share it evenly, `-` is none. */
  pattern: z.string().regex(/^[DUpimaxc-]{1,8}( [DUpimaxc-]{1,8}){0,15}$/),
});
export type StrumMark = z.infer<typeof strumSchema>;

/**
 * Whether a text is a pattern that can be kept.
 *
 * @example isStrumPattern('D DU -U DU') // → true
 */
export const isStrumPattern = (text: string): boolean => strumSchema.shape.pattern.safeParse(text).success;

export const strum: MarkKind<StrumMark> = {
  label: 'strum',
  place: (m) => [m.barId],
  words: (m) => `strum ${m.pattern}`,
  notes: () => [],
  carried: () => null,
  written: () => [],
};
