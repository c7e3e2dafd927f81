/**
 * All kinds of records. They are append-only: nothing here is ever changed; a correction and an undo are records of
 * their own. A new kind is a file in `records/` and a line in the union and the table here.
 */
import { z } from 'zod';
import type { RecordKind } from './record-kind';
import { assignment, assignmentRecordSchema } from './records/assignment';
import { fingering, fingeringRecordSchema } from './records/fingering';
import { lesson, lessonRecordSchema } from './records/lesson';
import { lessonJoined, lessonJoinedRecordSchema } from './records/lesson-joined';
import { level, levelRecordSchema } from './records/level';
import { practice, practiceRecordSchema } from './records/practice';
import { rung, rungRecordSchema } from './records/rung';
import { said, saidRecordSchema } from './records/said';
import { sectionJoined, sectionJoinedRecordSchema } from './records/section-joined';
import { restore, restoreSchema, retract, retractSchema } from './records/word';

export const eventSchema = z.discriminatedUnion('kind', [
  levelRecordSchema,
  rungRecordSchema,
  fingeringRecordSchema,
  lessonRecordSchema,
  lessonJoinedRecordSchema,
  sectionJoinedRecordSchema,
  saidRecordSchema,
  assignmentRecordSchema,
  practiceRecordSchema,
  retractSchema,
  restoreSchema,
]);
export type StudioEvent = z.infer<typeof eventSchema>;
export type EventOf<K extends StudioEvent['kind']> = Extract<StudioEvent, { kind: K }>;

export const RECORD_KINDS = {
  level,
  rung,
  fingering,
  lesson,
  'lesson-joined': lessonJoined,
  'section-joined': sectionJoined,
  said,
  assignment,
  practice,
  retract,
  restore,
} as const satisfies Readonly<Record<StudioEvent['kind'], RecordKind>>;

/** A record as it is before it has its id and its time. */
export type NewEvent = { readonly [K in StudioEvent['kind']]: Omit<EventOf<K>, 'id' | 'at'> }[StudioEvent['kind']];

/**
 * What a record is called.
 *
 * @example labelOfEvent(given('2026-05-20', 10)) // → 'week given'
 */
export const labelOfEvent = (event: StudioEvent): string => RECORD_KINDS[event.kind].label;
