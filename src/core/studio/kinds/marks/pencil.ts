import { z } from 'zod';
import { id } from '../../fields';
import { markBase, type MarkKind } from '../mark-kind';

export const PENCIL_ROLES = ['finger', 'dynamic', 'breath', 'count', 'cue'] as const;
export type PencilRole = (typeof PENCIL_ROLES)[number];

/** Written in pencil on the picture of a page, at a place of a bar, above or below its staff. */
export const pencilSchema = z.object({
  ...markBase,
  kind: z.literal('pencil'),
  barId: id,
  /** Share of the bar's width, from its left. */
  at: z.number().min(0).max(1),
  /** Over the first staff, under the last, or between two. */
  side: z.enum(['above', 'between', 'below']),
  role: z.enum(PENCIL_ROLES),
  text: z.string().min(1).max(80),
});
export type PencilMark = z.infer<typeof pencilSchema>;

/** Places closer than this to each other are one. */
const GRAIN = 200;

export const pencil: MarkKind<PencilMark> = {
  label: 'pencil',
  place: (m) => [m.barId, m.side, String(Math.round(m.at * GRAIN))],
  notes: () => [],
  words: (m) => `“${m.text}”`,
  carried: () => null,
  written: () => [],
};
