import { z } from 'zod';
import { id } from '../../fields';
import { MOST } from '../../limits';
import { recordBase, type RecordKind } from '../record-kind';

/** What was said in a lesson; a later one about the same lesson stands in for it. */
export const saidRecordSchema = z.object({
  ...recordBase,
  kind: z.literal('said'),
  studentId: id,
  lessonId: id,
  text: z.string().max(MOST.said),
});
export type SaidEvent = z.infer<typeof saidRecordSchema>;

export const said: RecordKind = {
  label: 'note on a lesson',
};
