import type { Student } from '../studio';

/** Words of the trade, and how a child is told the same **[common practice]**. */
const TOLD: readonly (readonly [RegExp, string])[] = [
  [/\bthrough once, from cold\b/gi, 'play it once through, as the very first thing'],
  [/\bonce from cold\b/gi, 'once through, as the very first thing'],
  [/\bthrough once, for the joy of it\b/gi, 'once through, because you like it'],
  [/\bthrough without a stop\b/gi, 'play on and do not stop'],
  [/\bthrough the join without a stop\b/gi, 'over the seam without stopping'],
  [/\bloop (.+?) with the first note of the next\b/gi, '$1 and one note more, round and round'],
  [/\bloop ([^,;]+)/gi, '$1, round and round'],
  [/\btempo steps\b/gi, 'a little faster each time'],
  [/\bdynamics as (printed|marked)\b/gi, 'loud and soft, just as it is written'],
  [/\bevery slur and touch as printed\b/gi, 'smooth and short, just as it is written'],
  [/\bshape it: grow to the top of the line, round off its end\b/gi, 'grow to the highest note, then end softly'],
  [/\bstop at each join, set the hands, go on\b/gi, 'stop, put your hands on the next place, go on'],
  [/\bstop at each join, get the next place ready, go on\b/gi, 'stop, get the next place ready, go on'],
  [/\bfrom each starting point, in the order they are drawn\b/gi, 'begin in the middle: somebody says where'],
  [
    /\bset each chord on the keys or strings, then play it as one\b/gi,
    'put all fingers down first, then play the chord',
  ],
  [/\bhands together without stops\b/gi, 'both hands, without stopping'],
  [/\bhands together\b/gi, 'both hands'],
  [/\bslowly with the metronome\b/gi, 'slowly, with the click'],
  [/\bmetronome\b/gi, 'click'],
  [/\bheard by someone else\b/gi, 'someone at home has heard it'],
  [/\bfirst try of the day\b/gi, 'it works at the first try of the day'],
  [/\beach step twice, all notes right\b/gi, 'each speed twice with all notes right'],
  [/\b3 in a row without a stop\b/gi, 'three times right in a row, without stopping'],
  [/\b3 in a row\b/gi, 'three times right in a row'],
  [/\b4 in a row\b/gi, 'four times right in a row'],
  [/\btwice without a stop\b/gi, 'twice without stopping'],
  [/\bonce through, then come back tomorrow\b/gi, 'once through, and again tomorrow'],
  [/\bwithout a slip\b/gi, 'with all notes right'],
];

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The words of a task as they are read at home: as they are, or as a child is told. */
export type Telling = (text: string) => string;

/**
 * A task in a child's words: what has no other words stays as it is, and so does what the teacher wrote.
 *
 * @example inChildWords('Tempo steps') // → 'A little faster each time'
 */
export const inChildWords: Telling = (text) => {
  const told = TOLD.reduce((so, [words, instead]) => so.replace(words, instead), text);
  return told === text ? text : capital(told);
};

const asItIs: Telling = (text) => text;

/** Until this age somebody is told things as a child. */
const CHILD_UNTIL = 12;

/**
 * How a student is told: children, and beginners whose age nobody said, in a child's words.
 *
 * @example tellingFor({ age: 'adult', level: 'beginner' })('Tempo steps') // → 'Tempo steps'
 */
export function tellingFor({ age, level }: Pick<Student, 'age' | 'level'>): Telling {
  const years = /\d+/.exec(age)?.[0];
  if (years !== undefined) return Number(years) <= CHILD_UNTIL ? inChildWords : asItIs;
  return age.trim() === '' && level === 'beginner' ? inChildWords : asItIs;
}
