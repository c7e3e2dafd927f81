import { z } from 'zod';
import { INSTRUMENT_IDS } from '../../../instruments';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

/** Name of the fingering that is not a variant. */
export const FULL_FINGERING = 'full';

export const fingerSchema = z.object({
  ...markBase,
  kind: z.literal('finger'),
  noteId: id,
  /** A digit, or the keys of a wind instrument as its chart shows them. */
  finger: z.string().min(1).max(40),
  /** Strings count from the highest, 1; frets from the nut, 0. */
  string: z.number().int().min(1).max(12).optional(),
  fret: z.number().int().min(0).max(30).optional(),
  position: z.string().max(40).optional(),
  /** Name of the fingering this belongs to; absent for the full one. */
  variant: z.string().max(40).optional(),
  /** What it is for, where that is not the instrument of the piece: put aside until it is played on that again. */
  instrument: z.enum(INSTRUMENT_IDS).optional(),
});
export type FingerMark = z.infer<typeof fingerSchema>;

export const finger: MarkKind<FingerMark> = {
  ...atOneNote<FingerMark>(),
  label: 'finger',
  place: (m) => [m.noteId, m.variant ?? FULL_FINGERING, ...(m.instrument === undefined ? [] : [`on ${m.instrument}`])],
  words: (m) => `finger ${m.finger}`,
  // Only the full fingering of the piece's own instrument is written: another would stand beside it as a second finger.
  written: (m) =>
    m.variant === undefined && m.instrument === undefined
      ? [
          { kind: 'finger', noteId: m.noteId, finger: m.finger },
          ...(m.string === undefined
            ? []
            : [
                {
                  kind: 'string' as const,
                  noteId: m.noteId,
                  string: m.string,
                  ...(m.fret === undefined ? {} : { fret: m.fret }),
                },
              ]),
          ...(m.position === undefined ? [] : [{ kind: 'words' as const, noteId: m.noteId, text: m.position }]),
        ]
      : [],
};
