/** Everything that is kept, as Zod schemas; the types come from them. Times are ISO strings in UTC. */
import { z } from 'zod';

const id = z.string().min(1).max(120);
const time = z.string().min(10).max(40);
/** Quarters from the start of a bar, exact: `"0"`, `"3/2"`. */
const quarters = z.string().regex(/^\d{1,6}(\/\d{1,6})?$/);

export const pieceSchema = z.object({
  id,
  title: z.string().max(300),
  composer: z.string().max(300),
  format: z.enum(['musicxml', 'mxl', 'abc', 'midi', 'grid']),
  fileName: z.string().max(300),
  /** The MusicXML document as text. */
  source: z.string(),
  encoding: z.enum(['utf-8', 'utf-8-bom', 'utf-16le', 'utf-16be', 'latin-1']),
  bom: z.boolean(),
  /** ABC text or the bar grid as JSON, for pieces that did not come as MusicXML. */
  original: z.string().nullable(),
  instrument: z.string().max(60),
  /** The teacher's target in quarters a minute; null takes the file's own tempo. */
  targetTempo: z.number().min(10).max(600).nullable(),
  addedAt: time,
  updatedAt: time,
});

export const handSchema = z.enum(['all', 'right', 'left']);

export const sectionSchema = z.object({
  id,
  pieceId: id,
  name: z.string().max(120),
  letter: z.string().max(8),
  /** Bar ids of the first and last bar, both included. */
  fromBar: id,
  toBar: id,
  /** Where in the first bar it begins and where in the last it ends (exclusive; null is the bar line). */
  fromOffset: quarters,
  toOffset: quarters.nullable(),
  parentId: id.nullable(),
  /** A section this one is a copy of. */
  likeId: id.nullable(),
  hand: handSchema,
  order: z.number(),
  updatedAt: time,
});

const markBase = { id, pieceId: id, studentId: id.nullable(), source: z.enum(['printed', 'editor', 'teacher', 'suggested']), updatedAt: time };

const dynamicLevel = z.enum(['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff']);

export const markSchema = z.discriminatedUnion('kind', [
  z.object({
    ...markBase,
    kind: z.literal('finger'),
    noteId: id,
    /** A digit, or the keys of a wind instrument as its chart shows them. */
    finger: z.string().min(1).max(40),
    /** Strings count from the highest, 1; frets from the nut, 0. */
    string: z.number().int().min(1).max(12).optional(),
    fret: z.number().int().min(0).max(30).optional(),
    position: z.string().max(40).optional(),
    /** Name of the fingering this belongs to; absent for the full one. */
    variant: z.string().max(40).optional(),
  }),
  z.object({ ...markBase, kind: z.literal('dynamic'), noteId: id, level: dynamicLevel }),
  z.object({ ...markBase, kind: z.literal('wedge'), noteId: id, toNoteId: id, role: z.enum(['crescendo', 'diminuendo']) }),
  z.object({ ...markBase, kind: z.literal('cue'), noteId: id, text: z.string().min(1).max(500) }),
  z.object({ ...markBase, kind: z.literal('breath'), noteId: id, catch: z.boolean().optional() }),
  z.object({ ...markBase, kind: z.literal('bow'), noteId: id, direction: z.enum(['up', 'down']) }),
  z.object({ ...markBase, kind: z.literal('phrase'), noteId: id, sign: z.enum([',', '.', '?', '!']), reading: z.string().max(40).optional() }),
  z.object({ ...markBase, kind: z.literal('ornament'), noteId: id, style: z.enum(['early', 'late', 'measured']) }),
  /** The student's own words, one syllable a note. */
  z.object({ ...markBase, kind: z.literal('syllable'), noteId: id, text: z.string().min(1).max(40) }),
  /** The hand that takes this note, where it is not that of its staff. */
  z.object({ ...markBase, kind: z.literal('hand'), noteId: id, hand: z.enum(['right', 'left']) }),
  /** The teacher's own word on how hard a bar is, 0 to 10, instead of the computed one. */
  z.object({ ...markBase, kind: z.literal('rating'), barId: id, score: z.number().min(0).max(10) }),
  /** A suggestion the teacher does not want to see again. */
  z.object({ ...markBase, kind: z.literal('refused'), what: z.string().min(1).max(200) }),
]);

export const rungKinds = [
  'posture',
  'warm-up',
  'listen',
  'tap',
  'block',
  'right-alone',
  'left-alone',
  'alone',
  'play-and-say',
  'together',
  'stops',
  'join',
  'corner',
  'slow',
  'tempo',
  'articulation',
  'dynamics',
  'words',
  'partner',
  'eyes',
  'starting-point',
  'memory',
  'run',
  'perform',
  'own',
] as const;

export const rungSchema = z.object({
  id,
  kind: z.enum(rungKinds),
  what: z.string().min(1).max(300),
  hands: z.string().max(60),
  tempo: z.number().min(10).max(600).nullable(),
  tempoTo: z.number().min(10).max(600).nullable(),
  times: z.number().int().min(1).max(100),
  done: z.string().max(200),
  why: z.string().max(300),
  /** Written or changed by the teacher. */
  own: z.boolean(),
});

export const ladderSchema = z.object({ id, sectionId: id, pieceId: id, rungs: z.array(rungSchema).max(200), updatedAt: time });

export const studentSchema = z.object({
  id,
  name: z.string().min(1).max(60),
  instrument: z.string().max(60),
  age: z.string().max(20),
  /** Widest comfortable span in semitones, thumb to little finger. */
  handSpanInSemitones: z.number().min(3).max(24).nullable(),
  breathSpanInSeconds: z.number().min(1).max(60).nullable(),
  /** How much of a fingering this student sees, and which variant of it by piece; the full one when absent. */
  density: z.enum(['every', 'changes', 'first', 'none', 'boxes']).optional(),
  variants: z.record(z.string(), z.string().max(40)).optional(),
  minutesPerDay: z.array(z.number().min(0).max(600)).length(7),
  order: z.number(),
  updatedAt: time,
});

export const levelSchema = z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3), z.literal(4), z.literal(5)]);

const eventBase = { id, at: time };

/** Append-only: nothing here is ever changed; a correction and an undo are events of their own. */
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
  }),
  z.object({ ...eventBase, kind: z.literal('rung'), studentId: id, pieceId: id, sectionId: id, rungId: id, done: z.boolean() }),
  /** A finger changed after the section had been practised: the old one resurfaces under stress, so it is remembered. */
  z.object({
    ...eventBase,
    kind: z.literal('fingering'),
    pieceId: id,
    noteId: id,
    before: z.string().max(40).nullable(),
    after: z.string().max(40).nullable(),
  }),
  z.object({ ...eventBase, kind: z.literal('retract'), target: id }),
  z.object({ ...eventBase, kind: z.literal('restore'), target: id }),
]);

export const pageSchema = z.object({
  id,
  pieceId: id,
  name: z.string().max(300),
  type: z.enum(['image/png', 'image/jpeg', 'image/webp']),
  /** Base 64 of the picture. */
  data: z.string().max(30_000_000),
  order: z.number(),
  updatedAt: time,
});

export const settingsSchema = z.object({
  id: z.literal('studio'),
  name: z.string().max(120),
  barWord: z.enum(['bar', 'measure']),
  noteNames: z.enum(['american', 'british']),
  lastBackupAt: time.nullable(),
  updatedAt: time,
});

/** Version of the studio file and of the kept records. Files of a higher version are refused. */
export const STUDIO_VERSION = 1;

export const studioSchema = z.object({
  pieces: z.array(pieceSchema),
  sections: z.array(sectionSchema),
  marks: z.array(markSchema),
  ladders: z.array(ladderSchema),
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
export type Ladder = z.infer<typeof ladderSchema>;
export type Student = z.infer<typeof studentSchema>;
export type Level = z.infer<typeof levelSchema>;
export type StudioEvent = z.infer<typeof eventSchema>;
export type Page = z.infer<typeof pageSchema>;
export type Settings = z.infer<typeof settingsSchema>;
export type Studio = z.infer<typeof studioSchema>;
export type StudioFile = z.infer<typeof studioFileSchema>;
