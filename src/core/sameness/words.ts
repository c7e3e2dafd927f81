import { notesByBar, type Score } from '../score';
import { differencesOf } from './differences';
import type { Difference, Repeat } from './repeat';

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const count = (n: number): string => NUMBERS[n] ?? String(n);
const INTERVALS = ['', 'step', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'octave'];

/**
 * `an octave higher`, `a step lower`, `two octaves higher`.
 *
 * @example movedInWords({ steps: -3, semitones: -5 }) // → 'a fourth lower'
 */
export function movedInWords({ steps, semitones }: Pick<Repeat, 'steps' | 'semitones'>): string {
  const way = steps > 0 || (steps === 0 && semitones > 0) ? 'higher' : 'lower';
  const size = Math.abs(steps);
  if (size === 0) return `${count(Math.abs(semitones))} ${Math.abs(semitones) === 1 ? 'semitone' : 'semitones'} ${way}`;
  if (size % 7 === 0) return `${size === 7 ? 'an octave' : `${count(size / 7)} octaves`} ${way}`;
  const name = INTERVALS[size % 7] ?? 'step';
  return size < 7 ? `a ${name} ${way}` : `an octave and a ${name} ${way}`;
}

/** Bars whose differences are told one by one. */
const MOST_TOLD = 3;

/** Where in its bar a set of notes lies: "the last two notes of bar 8", "the third note of bar 5", "all of bar 16". */
function placeInBar(score: Score, d: Difference, part: string | null, staff: number | null): string {
  const inBar = (notesByBar(score)[d.bar] ?? []).filter(
    (n) => n.grace === null && (part === null || (n.part === part && n.staff === staff)),
  );
  const number = score.bars[d.bar]?.name ?? String(d.bar + 1);
  const places = d.noteIds.map((id) => inBar.findIndex((n) => n.id === id)).filter((p) => p >= 0);
  const sorted = places.sort((a, b) => a - b);
  if (sorted.length === 0)
    return d.aNoteIds.length > 0
      ? `${count(d.aNoteIds.length)} ${d.aNoteIds.length === 1 ? 'note' : 'notes'} left out in bar ${number}`
      : `the lengths in bar ${number}`;
  if (sorted.length === inBar.length) return `all of bar ${number}`;
  const inRow = (sorted[sorted.length - 1] ?? 0) - (sorted[0] ?? 0) === sorted.length - 1;
  const notes = sorted.length === 1 ? 'note' : `${count(sorted.length)} notes`;
  if (inRow && sorted[sorted.length - 1] === inBar.length - 1) return `the last ${notes} of bar ${number}`;
  if (inRow && sorted[0] === 0) return `the first ${notes} of bar ${number}`;
  return `${count(sorted.length)} ${sorted.length === 1 ? 'note' : 'notes'} of bar ${number}`;
}

/**
 * "the same but for the last two notes of bar 8". With nothing different it is "the same".
 *
 * @example differencesInWords(score, { a: [0, 0], b: [0, 0], part: null, staff: null }) // → 'the same'
 */
export function differencesInWords(
  score: Score,
  repeat: Pick<Repeat, 'a' | 'b' | 'part' | 'staff'>,
  differences = differencesOf(score, repeat),
): string {
  if (differences.length === 0) return 'the same';
  if (differences.length > MOST_TOLD) return `the same but for notes in ${differences.length} bars`;
  const places = differences.map((d) => placeInBar(score, d, repeat.part, repeat.staff));
  const [last = '', ...before] = [...places].reverse();
  return `the same but for ${before.length > 0 ? `${before.reverse().join(', ')} and ` : ''}${last}`;
}
