/** Everything that is kept, as Zod schemas; the types come from them. Times are ISO strings in UTC. */
import { z } from 'zod';
import { eventSchema, type Assigned, type Facet, type levelSchema } from './event-schemas';
import { time } from './fields';
import { markSchema, pageSchema, pieceSchema, sectionSchema, type handSchema } from './music-schemas';
import { settingsSchema, studentSchema } from './people-schemas';
import { ladderSchema, templateSchema, type madeRungSchema, type rungSchema } from './practice-schemas';

/** Version of the studio file and of the kept records. Files of a higher version are refused. */
export const STUDIO_VERSION = 2;

export const studioSchema = z.object({
  pieces: z.array(pieceSchema),
  sections: z.array(sectionSchema),
  marks: z.array(markSchema),
  ladders: z.array(ladderSchema),
  templates: z.array(templateSchema),
  students: z.array(studentSchema),
  events: z.array(eventSchema),
  pages: z.array(pageSchema),
  settings: z.array(settingsSchema).max(1),
});

export const studioFileSchema = z.object({
  format: z.literal('oakrungs-studio'),
  version: z.literal(STUDIO_VERSION),
  exportedAt: time,
  studio: studioSchema,
});

export type Piece = z.infer<typeof pieceSchema>;
export type Section = z.infer<typeof sectionSchema>;
export type Hand = z.infer<typeof handSchema>;
export type Mark = z.infer<typeof markSchema>;
/** Marks that stand at a note. */
export type NoteMark = Extract<Mark, { noteId: string }>;
export type Rung = z.infer<typeof rungSchema>;
export type RungKind = Rung['kind'];
export type MadeRung = z.infer<typeof madeRungSchema>;
export type Template = z.infer<typeof templateSchema>;
export type Ladder = z.infer<typeof ladderSchema>;
export type Student = z.infer<typeof studentSchema>;
export type Level = z.infer<typeof levelSchema>;
export type StudioEvent = z.infer<typeof eventSchema>;
export type Page = z.infer<typeof pageSchema>;
export type Settings = z.infer<typeof settingsSchema>;
export type Studio = z.infer<typeof studioSchema>;
export type StudioFile = z.infer<typeof studioFileSchema>;
export type { Assigned, Facet };
export { eventSchema } from './event-schemas';
export { markSchema, pageSchema, pieceSchema, sectionSchema } from './music-schemas';
export { settingsSchema, studentSchema } from './people-schemas';
export { ladderSchema, rungKinds, rungSchema, templateSchema } from './practice-schemas';
