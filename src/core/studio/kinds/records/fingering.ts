import { z } from 'zod';
import { id } from '../../fields';
import { recordBase, type RecordKind } from '../record-kind';

/** A finger changed after its note had been practised: the old one resurfaces under stress, so it is remembered. */
export const fingeringRecordSchema = z.object({
  ...recordBase,
  kind: z.literal('fingering'),
  pieceId: id,
  noteId: id,
  before: z.string().max(40).nullable(),
  after: z.string().max(40).nullable(),
});
export type FingeringEvent = z.infer<typeof fingeringRecordSchema>;

export const fingering: RecordKind = {
  label: 'changed finger',
};
