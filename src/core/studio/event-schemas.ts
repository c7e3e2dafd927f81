/** Records: append-only, nothing here is ever changed; a correction and an undo are events of their own. */
import { z } from 'zod';
import { bpm, day, id, time } from './fields';

export const levelSchema = z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal(5)]);

/** What is listened for, in the order it is built up (handbook chapter 12; `joined` is ours, for level 3). */
export const facets = ['notes', 'rhythm', 'fingering', 'joined', 'articulation', 'dynamics', 'memory'] as const;
export type Facet = (typeof facets)[number];

/** One thing to do at home: on which days of the week (0 Monday to 6 Sunday), how often a day. */
export const assignedSchema = z.object({
  id,
  kind: z.enum(['technique', 'check', 'rung', 'corner', 'own']),
  pieceId: id.nullable(),
  sectionId: id.nullable(),
  what: z.string().min(1).max(300),
  tempo: bpm.nullable(),
  /** Minutes each day it is done. */
  minutes: z.number().min(0.5).max(300),
  days: z.array(z.number().int().min(0).max(6)).max(7),
  timesADay: z.number().int().min(1).max(50),
  by: z.enum(['', 'midweek', 'lesson']),
  cue: z.string().max(300),
  why: z.string().max(300),
});
export type Assigned = z.infer<typeof assignedSchema>;

const eventBase = { id, at: time };

export const eventSchema = z.discriminatedUnion('kind', [
  z.object({
    ...eventBase,
    kind: z.literal('level'),
    studentId: id,
    pieceId: id,
    sectionId: id,
    level: levelSchema,
    proposed: levelSchema.nullable(),
    tempo: z.number().min(1).max(600).nullable(),
    note: z.string().max(1000),
    /** What was heard (true) and what was not yet (false); what was not listened for is absent. */
    facets: z.partialRecord(z.enum(facets), z.boolean()).optional(),
    /** Mistakes in each repetition. */
    errors: z.array(z.number().int().min(0).max(999)).max(100).optional(),
    /** Printed signs of articulation seen, and whether they were heard. */
    signs: z.record(z.string().max(60), z.boolean()).optional(),
    lessonId: id.optional(),
    /** The record this one stands in for: that one was wrong. */
    corrects: id.optional(),
  }),
  z.object({ ...eventBase, kind: z.literal('rung'), studentId: id, pieceId: id, sectionId: id, rungId: id, done: z.boolean(), lessonId: id.optional() }),
  /** A finger changed after the section had been practised: the old one resurfaces under stress, so it is remembered. */
  z.object({
    ...eventBase,
    kind: z.literal('fingering'),
    pieceId: id,
    noteId: id,
    before: z.string().max(40).nullable(),
    after: z.string().max(40).nullable(),
  }),
  z.object({ ...eventBase, kind: z.literal('lesson'), studentId: id, minutes: z.number().int().min(1).max(300) }),
  /** What was said in a lesson; a later one about the same lesson stands in for it. */
  z.object({ ...eventBase, kind: z.literal('said'), studentId: id, lessonId: id, text: z.string().max(4000) }),
  z.object({
    ...eventBase,
    kind: z.literal('assignment'),
    studentId: id,
    lessonId: id.nullable(),
    items: z.array(assignedSchema).max(100),
    leftOut: z.array(z.object({ what: z.string().max(300), minutes: z.number().min(0) })).max(100),
    cue: z.string().max(500),
    minutesAvailable: z.number().min(0),
  }),
  /** What a student did at home. */
  z.object({
    ...eventBase,
    kind: z.literal('practice'),
    studentId: id,
    pieceId: id,
    sectionId: id.nullable(),
    /** Kind of the rung that was worked on. */
    rung: z.string().max(40).optional(),
    day,
    minutes: z.number().min(0).max(600),
    times: z.number().int().min(0).max(1000),
    tempo: bpm.nullable(),
    note: z.string().max(500),
  }),
  z.object({ ...eventBase, kind: z.literal('retract'), target: id }),
  z.object({ ...eventBase, kind: z.literal('restore'), target: id }),
]);
