import { LEVEL_NAMES } from '../mastery';
import { barsText } from '../sections';
import type { Score } from '../score';
import { isBehind, kindOf, LEAVES_AT, standsAt, type LevelAt, type WalkedPlace } from './walked-way';

/** Where a student is on a way, and what is said of it. */
export interface NextOnWay {
  /** The place that comes next; null at the end of the way. */
  readonly place: WalkedPlace | null;
  readonly says: string;
}

/** A place as it is said: `bars 3–4`, `A, bars 1–8`, `the whole piece`. */
function placeInWords(score: Score, { section, from, to }: WalkedPlace): string {
  if (kindOf(section) === 'join') return `the join ${section.name}`;
  if (kindOf(section) !== 'section') return section.name;
  return `${section.letter === '' ? section.name : section.letter}, bars ${barsText(score, from, to)}`.replace(
    /^, /,
    '',
  );
}

/**
 * What comes next on a way after something of it was heard: the place itself until it is as far as it needs, then the
 * next one with why it is there.
 *
 * @example
 * nextOnWay(score, [walked('x', 0, 1), walked('y', 2, 3)], (id) => (id === 'x' ? 2 : null), 'x').place.section.id
 * // → 'y'
 */
export function nextOnWay(
  score: Score,
  places: readonly WalkedPlace[],
  levelAt: LevelAt,
  heardId: string | null,
): NextOnWay {
  const heard = places.find((p) => p.section.id === heardId);
  if (heard && !isBehind(heard, levelAt)) {
    const level = LEAVES_AT[kindOf(heard.section)];
    return {
      place: heard,
      says: `Go on with ${placeInWords(score, heard)} until level ${level}, ${LEVEL_NAMES[level].toLowerCase()}.`,
    };
  }
  const place = standsAt(places, levelAt);
  if (!place) return { place: null, says: 'The whole way is behind: the piece is there.' };
  const why = place.why === '' ? '' : `: ${place.why}`;
  return { place, says: `Next on the way is ${placeInWords(score, place)}${why}.` };
}
