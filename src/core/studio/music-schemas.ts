/** Pieces, their sections, the marks on them and the pictures of their pages. */
import { z } from 'zod';
import { changed, id, quarters, time } from './fields';
import { teachingSchema } from './teaching';

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
  /** How this piece is taught, where it is not as the student or the studio has it. */
  teaching: teachingSchema.partial().optional(),
  /** Order in which its sections are learned, by the teacher: section ids. */
  learnOrder: z.array(id).max(500).optional(),
  addedAt: time,
  ...changed,
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
  ...changed,
});

const markBase = { id, pieceId: id, studentId: id.nullable(), source: z.enum(['printed', 'editor', 'teacher', 'suggested']), ...changed };

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
  /** A small sign of the teacher's own: a little more, a little less, go on, hold back. */
  z.object({ ...markBase, kind: z.literal('micro'), noteId: id, sign: z.enum(['+', '−', '→', '←']) }),
  /** The student's own words, one syllable a note. */
  z.object({ ...markBase, kind: z.literal('syllable'), noteId: id, text: z.string().min(1).max(40) }),
  /** The hand that takes this note, where it is not that of its staff. */
  z.object({ ...markBase, kind: z.literal('hand'), noteId: id, hand: z.enum(['right', 'left']) }),
  /** The teacher's own word on how hard a bar is, 0 to 10, instead of the computed one. */
  z.object({ ...markBase, kind: z.literal('rating'), barId: id, score: z.number().min(0).max(10) }),
  /** A suggestion the teacher does not want to see again. */
  z.object({ ...markBase, kind: z.literal('refused'), what: z.string().min(1).max(200) }),
]);

export const pageSchema = z.object({
  id,
  pieceId: id,
  name: z.string().max(300),
  type: z.enum(['image/png', 'image/jpeg', 'image/webp']),
  /** Base 64 of the picture. */
  data: z.string().max(30_000_000),
  order: z.number(),
  ...changed,
});
