/** Students and the studio they come to. */
import { z } from 'zod';
import { INSTRUMENT_IDS } from '../instruments';
import { isZone } from './day';
import { changed, day, id, time } from './fields';
import { MOST, TEMPO_RANGE } from './limits';
import { playerSchema } from '../players';
import { teachingSchema } from './teaching';

export const studentSchema = z.object({
  id,
  name: z.string().min(1).max(60),
  instrument: z.enum(INSTRUMENT_IDS),
  instrumentWords: z.string().max(60).optional(),
  age: z.string().max(20),
  /** Widest comfortable span in semitones, thumb to little finger. */
  handSpanInSemitones: z.number().min(3).max(24).nullable(),
  breathSpanInSeconds: z.number().min(1).max(60).nullable(),
  /** How much of a fingering this student sees, and which variant of it by piece; the full one when absent. */
  density: z.enum(['every', 'changes', 'first', 'none', 'boxes']).optional(),
  variants: z.record(z.string(), z.string().max(40)).optional(),
  /** The day on which a piece is begun, by piece, where that was said. */
  starts: z.record(z.string(), day).optional(),
  /** The target in quarters a minute, by piece, where it is not the piece's. */
  tempos: z.record(z.string(), z.number().min(TEMPO_RANGE.least).max(TEMPO_RANGE.most)).optional(),
  /** A tempo in quarters a minute that is not gone above for now, by piece. */
  caps: z.record(z.string(), z.number().min(TEMPO_RANGE.least).max(TEMPO_RANGE.most)).optional(),
  /** Whose part this student plays, by piece, where it is not the piece's usual one. */
  players: z.record(z.string(), playerSchema).optional(),
  minutesPerDay: z.array(z.number().min(0).max(600)).length(7),
  level: z.enum(['beginner', 'intermediate', 'advanced']).optional(),
  lessonMinutes: z.number().int().min(10).max(180).optional(),
  /** The pieces in work, in the order they are heard. */
  pieceIds: z.array(id).max(MOST.piecesOfStudent).optional(),
  teaching: teachingSchema.partial().optional(),
  /** No longer taught: out of the lists, with everything kept. */
  archived: z.boolean().optional(),
  order: z.number(),
  ...changed,
});

/** What is printed on. */
export const PAPERS = ['a4', 'letter'] as const;
export type Paper = (typeof PAPERS)[number];

export const settingsSchema = z.object({
  id: z.literal('studio'),
  name: z.string().max(MOST.name),
  /** Where the studio is: a day begins and ends there. The browser's own until it is said. */
  zone: z.string().refine(isZone, 'is not a time zone').optional(),
  barWord: z.enum(['bar', 'measure']),
  noteNames: z.enum(['american', 'british']),
  teaching: teachingSchema.partial().optional(),
  /** How large the text is, over what the browser says. */
  textSize: z.enum(['usual', 'large', 'largest']).optional(),
  /** What is printed on; A4 until it is said. */
  paper: z.enum(PAPERS).optional(),
  /** The teacher's own words for a gesture, `gesture family` → cue, and sentences said often. */
  gestureCues: z.record(z.string().max(80), z.string().max(200)).optional(),
  ownCues: z.array(z.string().min(1).max(200)).max(MOST.ownCues).optional(),
  lastBackupAt: time.nullable(),
  ...changed,
});
