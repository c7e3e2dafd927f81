import { z } from 'zod';
import { id } from '../../fields';
import { recordBase, type RecordKind } from '../record-kind';

/** Two beginnings were one lesson: what carries the one counts as part of the other. */
export const lessonJoinedRecordSchema = z.object({
  ...recordBase,
  kind: z.literal('lesson-joined'),
  studentId: id,
  lessonId: id,
  into: id,
});
export type LessonJoinedEvent = z.infer<typeof lessonJoinedRecordSchema>;

export const lessonJoined: RecordKind = {
  label: 'joined lesson',
};
