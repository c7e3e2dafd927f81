import { z } from 'zod';
import { COUNT_SYSTEMS, COUNTING, USUAL_WAY, type CountingWay } from '../rhythm';

/** Where teachers disagree (handbook chapter 17): each question and its schools. */
export const teachingSchema = z.object({
  hands: z.enum(['separate', 'together']),
  order: z.enum(['level', 'start', 'end', 'ends', 'corners', 'sameness', 'own']),
  fingers: z.enum(['every', 'changes', 'none']),
  dynamics: z.enum(['start', 'after']),
  moveOn: z.enum(['gate', 'return']),
  counting: z.enum(COUNT_SYSTEMS),
  compound: z.enum(['beats', 'three', 'eighths']),
  uneven: z.enum(['long', 'short']),
  trills: z.enum(['measured', 'free']),
  time: z.enum(['breath', 'metronome']),
  reading: z.enum(['reading', 'rote']),
  memory: z.enum(['asked', 'not']),
  tempoSteps: z.enum(['bpm', 'percent', 'three-up-one-back']),
});
export type Teaching = z.infer<typeof teachingSchema>;

/**
 * Handbook chapter 17, with what this tool adds: memory is not asked unless said so, tempo goes up in beats a minute.
 */
export const USUAL_TEACHING: Teaching = {
  hands: 'separate',
  order: 'level',
  fingers: 'changes',
  dynamics: 'after',
  moveOn: 'gate',
  counting: 'meter',
  compound: 'beats',
  uneven: 'long',
  trills: 'measured',
  time: 'breath',
  reading: 'reading',
  memory: 'not',
  tempoSteps: 'bpm',
};

export interface TeachingQuestion<K extends keyof Teaching = keyof Teaching> {
  readonly key: K;
  readonly question: string;
  readonly schools: readonly (readonly [Teaching[K], string])[];
  readonly why: string;
}

const ask = <K extends keyof Teaching>(
  key: K,
  question: string,
  schools: readonly (readonly [Teaching[K], string])[],
  why: string,
): TeachingQuestion => ({
  key,
  question,
  schools,
  why,
});

/** The questions in words, each with why the default is what it is. */
export const TEACHING_QUESTIONS: readonly TeachingQuestion[] = [
  ask(
    'hands',
    'Hands',
    [
      ['separate', 'apart first'],
      ['together', 'together from the start'],
    ],
    'apart lets one problem be solved at a time',
  ),
  ask(
    'order',
    'Learn',
    [
      ['level', 'as the level suggests'],
      ['sameness', 'what pays most first'],
      ['corners', 'the corners first'],
      ['start', 'from the start'],
      ['end', 'from the end backwards'],
      ['ends', 'both ends, then the middle'],
      ['own', 'in my own order'],
    ],
    'from the start in the first years, what pays first and then the corners later',
  ),
  ask(
    'fingers',
    'Fingers written',
    [
      ['changes', 'only where the hand moves'],
      ['every', 'on every note'],
      ['none', 'none'],
    ],
    'enough to be consistent, little enough to make the student read',
  ),
  ask(
    'dynamics',
    'Dynamics',
    [
      ['after', 'after notes and rhythm'],
      ['start', 'from the first reading'],
    ],
    'notes and rhythm first while they are new',
  ),
  ask(
    'moveOn',
    'Going up a rung',
    [
      ['gate', 'only when it is done'],
      ['return', 'go on and come back'],
    ],
    'a rung is left when it holds',
  ),
  ask(
    'counting',
    'Counting',
    COUNT_SYSTEMS.map((system) => [system, COUNTING[system].label]),
    'the beat has a number in every lesson to come',
  ),
  ask(
    'compound',
    '6/8 and 3/8',
    [
      ['beats', '6/8 in two, 3/8 in one'],
      ['three', '6/8 in two, 3/8 in three'],
      ['eighths', 'by eighths, 1 to 6'],
    ],
    'the beat is what is felt',
  ),
  ask(
    'uneven',
    '5/8 and 7/8',
    [
      ['long', 'the long beat first'],
      ['short', 'the long beat last'],
    ],
    'asked only where beams, accents and long notes do not say it',
  ),
  ask(
    'trills',
    'Trills',
    [
      ['measured', 'measured at first'],
      ['free', 'free'],
    ],
    'measured trills keep the beat',
  ),
  ask(
    'time',
    'Strict time',
    [
      ['breath', 'a breath may take time'],
      ['metronome', 'the metronome wins'],
    ],
    'the tool says how much time a breath takes',
  ),
  ask(
    'reading',
    'Learned',
    [
      ['reading', 'from the page'],
      ['rote', 'by ear and pattern'],
    ],
    'reading, unless the piece is taught by rote',
  ),
  ask(
    'memory',
    'From memory',
    [
      ['not', 'not asked'],
      ['asked', 'asked'],
    ],
    'asked where the piece is to be performed so',
  ),
  ask(
    'tempoSteps',
    'Tempo goes up',
    [
      ['bpm', 'by beats a minute'],
      ['percent', 'by percent'],
      ['three-up-one-back', 'three up, one back'],
    ],
    'even steps are easy to set on a metronome',
  ),
];

/**
 * How the count is said under a way of teaching.
 *
 * @example countingWay({ ...USUAL_TEACHING, compound: 'eighths' }).compound // → 'eighths'
 */
export const countingWay = ({ counting, compound, uneven }: Teaching): CountingWay => ({
  ...USUAL_WAY,
  system: counting,
  compound,
  uneven,
});

/** An answer to one of the questions; null leaves it to the one above. */
export type TeachingAnswer = readonly [question: keyof Teaching, answer: string | null];

/**
 * What was chosen, with one more answer. An answer that is no school of its question changes nothing.
 *
 * @example answered({ hands: 'together' }, ['hands', null]) // → {}
 */
export function answered(own: Partial<Teaching> | undefined, [question, answer]: TeachingAnswer): Partial<Teaching> {
  const others = Object.fromEntries(Object.entries(own ?? {}).filter(([key]) => key !== question));
  const parsed = teachingSchema.partial().safeParse(answer === null ? others : { ...others, [question]: answer });
  return parsed.success ? parsed.data : (own ?? {});
}

/**
 * How a piece is taught to a student: the piece's word before the student's, the student's before the studio's, else
 * the usual.
 *
 * @example teachingFor({ hands: 'together' }).hands // → 'together'
 */
export const teachingFor = (...closestFirst: readonly (Partial<Teaching> | undefined)[]): Teaching =>
  [...closestFirst].reverse().reduce<Teaching>((all, one) => ({ ...all, ...one }), USUAL_TEACHING);
