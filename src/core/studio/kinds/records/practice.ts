import { z } from 'zod';
import { bpm, day, id } from '../../fields';
import { MOST } from '../../limits';
import { recordBase, type RecordKind } from '../record-kind';

/** What a student did at home, on a day where the studio is. */
export const practiceRecordSchema = z.object({
  ...recordBase,
  kind: z.literal('practice'),
  studentId: id,
  /** Null for a task that is of no piece. */
  pieceId: id.nullable(),
  sectionId: id.nullable(),
  /** Kind of the rung that was worked on. */
  rung: z.string().max(40).optional(),
  day,
  minutes: z.number().min(0).max(600),
  /** Repetitions. */
  times: z.number().int().min(0).max(1000),
  /** Of the repetitions, so many were right; absent where nobody judged them. */
  right: z.number().int().min(0).max(1000).optional(),
  /** Notes tapped in time, of so many. */
  tapped: z.object({ right: z.number().int().min(0).max(20_000), of: z.number().int().min(0).max(20_000) }).optional(),
  tempo: bpm.nullable(),
  /** The longest row of right ones; boxes that were ticked at home. */
  row: z.number().int().min(0).max(1000).optional(),
  ticks: z.number().int().min(0).max(100).optional(),
  note: z.string().max(MOST.note),
});
export type PracticeEvent = z.infer<typeof practiceRecordSchema>;

export const practice: RecordKind = {
  label: 'practice log',
};
