import { z } from 'zod';
import { bpm, id } from '../../fields';
import { MOST } from '../../limits';
import { recordBase, type RecordKind } from '../record-kind';

/** One thing to do at home: on which days of the week (0 Monday to 6 Sunday), how often a day. */
export const assignedSchema = z.object({
  id,
  kind: z.enum(['technique', 'check', 'rung', 'corner', 'own']),
  pieceId: id.nullable(),
  sectionId: id.nullable(),
  what: z.string().min(1).max(MOST.task),
  tempo: bpm.nullable(),
  /** Minutes each day it is done. */
  minutes: z.number().min(0.5).max(300),
  days: z.array(z.number().int().min(0).max(6)).max(7),
  timesADay: z.number().int().min(1).max(50),
  by: z.enum(['', 'midweek', 'lesson']),
  cue: z.string().max(MOST.cue),
  why: z.string().max(MOST.task),
});
export type Assigned = z.infer<typeof assignedSchema>;

/** A week as it was given; a later one of the same lesson stands in for it. */
export const assignmentRecordSchema = z.object({
  ...recordBase,
  kind: z.literal('assignment'),
  studentId: id,
  lessonId: id.nullable(),
  items: z.array(assignedSchema).max(MOST.tasksOfWeek),
  leftOut: z.array(z.object({ what: z.string().max(MOST.task), minutes: z.number().min(0) })).max(MOST.leftOutOfWeek),
  cue: z.string().max(MOST.cue),
  minutesAvailable: z.number().min(0),
});
export type AssignmentEvent = z.infer<typeof assignmentRecordSchema>;

export const assignment: RecordKind = {
  label: 'week given',
};
