import { z } from 'zod';
import { id } from '../../fields';
import { recordBase, type RecordKind } from '../record-kind';

/** The beginning of a lesson; everything of it carries its id. `at` is when it was, not when it was put down. */
export const lessonRecordSchema = z.object({
  ...recordBase,
  kind: z.literal('lesson'),
  studentId: id,
  minutes: z.number().int().min(1).max(600),
  /** The student was not there; what was set down is for the week all the same. */
  missed: z.boolean().optional(),
});
export type LessonEvent = z.infer<typeof lessonRecordSchema>;

export const lesson: RecordKind = { label: 'lesson' };
