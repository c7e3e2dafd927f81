import { z } from 'zod';
import { id } from '../../fields';
import { MOST, TEMPO_RANGE } from '../../limits';
import { recordBase, type RecordKind } from '../record-kind';

export const levelSchema = z.union([
  z.literal(0),
  z.literal(1),
  z.literal(2),
  z.literal(3),
  z.literal(4),
  z.literal(5),
]);
export type Level = z.infer<typeof levelSchema>;

/** What is listened for, in the order it is built up (handbook chapter 12; `joined` is ours, for level 3). */
export const facets = ['notes', 'rhythm', 'fingering', 'joined', 'articulation', 'dynamics', 'memory'] as const;
export type Facet = (typeof facets)[number];

/** What a teacher heard of a section, and the level it came to. */
export const levelRecordSchema = z.object({
  ...recordBase,
  kind: z.literal('level'),
  studentId: id,
  pieceId: id,
  sectionId: id,
  level: levelSchema,
  proposed: levelSchema.nullable(),
  tempo: z.number().min(1).max(TEMPO_RANGE.most).nullable(),
  note: z.string().max(MOST.note),
  /** What was heard (true) and what was not yet (false); what was not listened for is absent. */
  facets: z.partialRecord(z.enum(facets), z.boolean()).optional(),
  /** Mistakes in each repetition. */
  errors: z.array(z.number().int().min(0).max(999)).max(MOST.repetitions).optional(),
  /** Printed signs of articulation seen, and whether they were heard. */
  signs: z.record(z.string().max(60), z.boolean()).optional(),
  lessonId: id.optional(),
  /** The record this one stands in for: that one was wrong, in its level, its section or its student. */
  corrects: id.optional(),
});
export type LevelEvent = z.infer<typeof levelRecordSchema>;

export const level: RecordKind = {
  label: 'level',
};
