/** Pieces, their sections, the marks on them and the pictures of their pages. */
import { z } from 'zod';
import { exerciseSchema } from '../exercise';
import { INSTRUMENT_IDS } from '../instruments';
import { changed, id, quarters, time } from './fields';
import { MOST, TEMPO_RANGE } from './limits';
import { playerSchema } from '../players';
import { teachingSchema } from './teaching';

/** Ids that bars and notes keep through later editions: id as the document is read → id as it was first known. */
const keptIdsSchema = z.object({
  edition: z.number().int().min(1),
  bars: z.record(z.string(), id),
  notes: z.record(z.string(), id),
});

/** Where music comes from; the fields are those of the score. */
export const originSchema = z.object({
  work: z.string().max(MOST.title),
  workNumber: z.string().max(MOST.title),
  movement: z.string().max(MOST.title),
  movementNumber: z.string().max(MOST.title),
  lyricist: z.string().max(MOST.title),
  arranger: z.string().max(MOST.title),
  source: z.string().max(MOST.title),
  rights: z.string().max(MOST.title),
});

/** One of the other parts of a piece, as the teacher knows it. */
export const partSchema = z.object({
  instrument: z.enum(INSTRUMENT_IDS).optional(),
  instrumentWords: z.string().max(60).optional(),
  who: z.enum(['student', 'teacher', 'others']).optional(),
});

export const pieceSchema = z.object({
  id,
  title: z.string().max(MOST.title),
  composer: z.string().max(MOST.title),
  format: z.enum(['musicxml', 'mxl', 'abc', 'midi', 'grid']),
  fileName: z.string().max(MOST.title),
  /** The MusicXML document as text. */
  source: z.string(),
  encoding: z.enum(['utf-8', 'utf-8-bom', 'utf-16le', 'utf-16be', 'latin-1']),
  bom: z.boolean(),
  /** ABC text or the bar grid as JSON, for pieces that did not come as MusicXML. */
  original: z.string().nullable(),
  instrument: z.enum(INSTRUMENT_IDS),
  /** The teacher's own words for it, where they say more. */
  instrumentWords: z.string().max(60).optional(),
  /** Whose part it is, where that is not as the tool would guess; what it is played on is `instrument`. */
  player: playerSchema.omit({ instrument: true }).optional(),
  /** What the teacher knows of where it comes from, over what the file says. */
  origin: originSchema.partial().optional(),
  /** What the other parts are played on and by whom, by what they read (`playerKey`), where the teacher said it. */
  parts: z.record(z.string().max(2000), partSchema).optional(),
  /** Ids kept through corrected editions and typing; absent while the document is as it first came. */
  kept: keptIdsSchema.optional(),
  /** The teacher's target in quarters a minute; null takes the file's own tempo. */
  targetTempo: z.number().min(TEMPO_RANGE.least).max(TEMPO_RANGE.most).nullable(),
  /** The technique exercise that it is: given with a week, first in every practice. */
  exercise: exerciseSchema.optional(),
  /** A study: a piece that is practised as technique, first in every practice. */
  study: z.boolean().optional(),
  /** How this piece is taught, where it is not as the student or the studio has it. */
  teaching: teachingSchema.partial().optional(),
  /** Section ids in the teacher's order of learning, from before there were ways; kept as it came. */
  learnOrder: z.array(id).max(MOST.sectionsOfPiece).optional(),
  /** How hard it is, in the teacher's own words: a grade, a level, a book. */
  grade: z.string().max(MOST.tag).optional(),
  tags: z.array(z.string().min(1).max(MOST.tag)).max(MOST.tags).optional(),
  /** Put away: off the shelf's first list and out of every choice, with everything kept. */
  archived: z.boolean().optional(),
  addedAt: time,
  ...changed,
});

export const handSchema = z.enum(['all', 'right', 'left']);

/** What a row of the table of sections is; a section, or one inside another, where nothing is said. */
export const sectionKinds = ['section', 'phrase', 'chunk', 'join', 'piece'] as const;

export const sectionSchema = z.object({
  id,
  pieceId: id,
  /** Sections tile the piece; chunks, joins and lines of the way are ranges over them. */
  kind: z.enum(sectionKinds).optional(),
  /** Made or changed by the teacher: a new proposal leaves it as it is. */
  own: z.boolean().optional(),
  name: z.string().max(MOST.name),
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

export const pageSchema = z.object({
  id,
  pieceId: id,
  name: z.string().max(MOST.title),
  type: z.enum(['image/png', 'image/jpeg', 'image/webp']),
  /** Base 64 of the picture. */
  data: z.string().max(MOST.picture),
  order: z.number(),
  ...changed,
});
