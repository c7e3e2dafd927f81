/** Ladders, their rungs and the templates kept of them. */
import { z } from 'zod';
import { changed, id } from './fields';
import { MOST, TEMPO_RANGE } from './limits';

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
  'breath',
  'stroke',
  'own',
] as const;

/** Share of the target tempo. */
const share = z.number().min(0.05).max(3).nullable();
const tempo = z.number().min(TEMPO_RANGE.least).max(TEMPO_RANGE.most).nullable();
/** The fields a teacher may change. */
export const madeRungSchema = z.object({
  what: z.string().min(1).max(MOST.task),
  hands: z.string().max(60),
  tempo,
  tempoTo: tempo,
  times: z.number().int().min(1).max(100),
  done: z.string().max(MOST.task),
});

export const rungSchema = z.object({
  id,
  kind: z.enum(rungKinds),
  ...madeRungSchema.shape,
  why: z.string().max(MOST.task),
  /** Written or changed by the teacher. */
  own: z.boolean(),
  /** What in the section it belongs to: the same rung of a later build has the same key. */
  key: z.string().max(MOST.name).optional(),
  /** Bar ids, both included; absent for the whole section. */
  bars: z.tuple([id, id]).optional(),
  /** Estimated minutes for all its times. */
  minutes: z.number().min(0).max(600).optional(),
  /** As it was built, to tell what the teacher changed since. */
  made: madeRungSchema.optional(),
});

export const ladderSchema = z.object({
  id,
  sectionId: id,
  pieceId: id,
  /** Whose it is (`playerKey`), where that is not the usual player of the piece. */
  player: z.string().max(2000).optional(),
  /** The student it is for alone, where theirs is not as everyone's. */
  studentId: id.optional(),
  rungs: z.array(rungSchema).max(MOST.rungs),
  /** Keys of built rungs the teacher took away: they do not come back. */
  removed: z.array(z.string().max(MOST.name)).max(MOST.removedKeys).optional(),
  ...changed,
});

/** How a place of the way stands apart from the rest: left out on purpose, put off, known already. */
export const asideKinds = ['skipped', 'later', 'known'] as const;

/**
 * The way through a piece for its player: rows of the table of sections in the order in which they are learned. One of
 * a student holds only where that student's deviates.
 */
export const waySchema = z.object({
  id,
  pieceId: id,
  /** Whose it is (`playerKey`), where that is not the usual player of the piece. */
  player: z.string().max(2000).optional(),
  studentId: id.nullable(),
  /** Places in order, each with why it is there; null for a student who goes the way of the piece. */
  steps: z
    .array(z.object({ sectionId: id, why: z.string().max(MOST.task) }))
    .max(MOST.wayPlaces)
    .nullable(),
  /** The teacher dragged: a new proposal keeps this order. */
  own: z.boolean(),
  aside: z.record(z.string(), z.enum(asideKinds)),
  /** Ids of proposed places that the teacher took away: they do not come back. */
  removed: z.array(id).max(MOST.wayPlaces),
  ...changed,
});

/** A set of rungs kept to be used again: tempos as shares of the target. */
export const templateSchema = z.object({
  id,
  name: z.string().min(1).max(120),
  rungs: z
    .array(
      z.object({
        kind: z.enum(rungKinds),
        ...madeRungSchema.shape,
        tempo: share,
        tempoTo: share,
        why: z.string().max(MOST.task),
      }),
    )
    .max(MOST.rungs),
  ...changed,
});
