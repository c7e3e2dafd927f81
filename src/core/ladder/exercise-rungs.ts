import { exerciseNotes, type Exercise, type ExercisePace } from '../exercise';
import { both, one, type ProposedRung, type RungFacts, type StudentLevel } from './rung-facts';

/**
 * How an exercise goes at a level: one note to a beat to begin with, then two **[common practice]**. The tempos are
 * ours.
 *
 * @example EXERCISE_PACE.beginner.notesABeat // → 1
 */
export const EXERCISE_PACE: Readonly<Record<StudentLevel, ExercisePace>> = {
  beginner: { tempo: 72, notesABeat: 1 },
  intermediate: { tempo: 60, notesABeat: 2 },
  advanced: { tempo: 88, notesABeat: 2 },
};

/** How the instrument is touched: what is asked for first, and the two ways in which it is played later. */
function touches(f: RungFacts): { readonly first: string; readonly ways: string } {
  if (f.sings) return { first: 'On one vowel, each note for four counts', ways: 'On “la”, then on “ah” in one breath' };
  if (f.breathes) return { first: 'Each note as a long tone of four counts', ways: 'Tongued, then slurred' };
  if (f.stroke === 'bow')
    return { first: 'A whole bow to each note, in tune before the next', ways: 'Two notes to a bow, then four' };
  if (f.content.hands.length === 2)
    return { first: 'Slowly, with the fingers as written', ways: 'Legato up, staccato down' };
  return { first: 'Slowly, with the fingers as written', ways: 'Soft and short, then ringing into one another' };
}

/** Each hand by itself, then both; one line slowly where there is but one. */
function begins(f: RungFacts): readonly ProposedRung[] {
  const { first } = touches(f);
  if (f.content.hands.length < 2)
    return [one('alone', first, '', f.start, f.times, 'twice without a slip', 'evenness comes from going slowly')];
  return [
    one(
      'right-alone',
      `Right hand: ${first.toLowerCase()}`,
      'right',
      f.start,
      f.times,
      '3 in a row',
      'its thumb has another place than the left one',
    ),
    one(
      'left-alone',
      `Left hand: ${first.toLowerCase()}`,
      'left',
      f.start,
      f.times,
      '3 in a row',
      'its thumb has another place than the right one',
    ),
    one('together', 'Both hands, slowly', 'both', f.start, f.times, '3 in a row', 'the thumbs do not pass together'),
  ];
}

/**
 * The ladder of a technique exercise: the notes said, each hand, touches, rhythms, loudness, tempo, by heart.
 * The order is **[common practice]**.
 */
export function rungsOfExercise(f: RungFacts, exercise: Exercise): readonly ProposedRung[] {
  const half = Math.round((f.start + f.target) / 2);
  return [
    one(
      'play-and-say',
      `Say its notes, then play and say them: ${exerciseNotes(exercise).join(' ')}`,
      '',
      null,
      2,
      'every note named before it sounds',
      'what is named is found',
    ),
    ...begins(f),
    one('articulation', touches(f).ways, both(f), half, 2, 'heard by someone else', 'the same notes, another touch'),
    ...(f.level === 'beginner'
      ? []
      : [
          one(
            'articulation',
            'Long and short, then short and long',
            both(f),
            half,
            2,
            'each rhythm once without a slip',
            'makes the fingers even',
            {
              key: 'rhythms',
            },
          ),
        ]),
    one(
      'dynamics',
      'Louder going up, softer coming down',
      both(f),
      half,
      2,
      'heard by someone else',
      'a line has a shape',
    ),
    one(
      'tempo',
      `From ${f.start} up to ${f.target}, step by step`,
      both(f),
      f.start,
      f.times,
      'even all the way, 3 in a row',
      'only what is even goes faster',
      {
        tempoTo: f.target,
      },
    ),
    ...(f.seesHands
      ? [one('eyes', 'Without looking at the hands', both(f), half, 2, 'twice', 'in a piece the eyes are on the page')]
      : []),
    one(
      'memory',
      'By heart, once from cold',
      both(f),
      f.target,
      1,
      'the first time of the day',
      'a scale is known when it needs no page',
    ),
  ];
}
