import { z } from 'zod';
import { id } from '../../fields';
import { recordBase, type RecordKind } from '../record-kind';

/** A rung ticked off, or the tick taken away. */
export const rungRecordSchema = z.object({
  ...recordBase,
  kind: z.literal('rung'),
  studentId: id,
  pieceId: id,
  sectionId: id,
  rungId: id,
  done: z.boolean(),
  lessonId: id.optional(),
});
export type RungEvent = z.infer<typeof rungRecordSchema>;

export const rung: RecordKind = {
  label: 'rung',
};
