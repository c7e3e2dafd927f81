/**
 * Ways through pieces as a teacher would order them, written by hand before any code that orders: the phrases in the
 * order in which they are first met. Ours, by the common practice of the trade: what is the same follows at once, a
 * phrase is finished before the next is begun, sections that come again as a whole come again as a whole. Music that is
 * not traditional or by an old composer was written for these tests.
 */
import type { InstrumentId } from '@/core/instruments';
import type { StudentLevel } from '@/core/ladder';

export interface WayByHand {
  /** Under `tests/`. */
  readonly file: string;
  readonly instrument: InstrumentId;
  readonly level: StudentLevel;
  /** The school the teacher follows; null for what the level suggests. */
  readonly school: 'start' | 'end' | 'ends' | 'corners' | 'sameness' | null;
  /** Phrases as bars counted from 1, both included. */
  readonly phrases: string;
  readonly why: string;
}

export const WAYS_BY_HAND: readonly WayByHand[] = [
  {
    file: 'ways/octave-steps.abc',
    instrument: 'piano',
    level: 'beginner',
    school: null,
    phrases: '1-2 3-4 5-6 7-8 9-10',
    why: 'one pattern, then a list of where it goes: an octave up each time, and back',
  },
  {
    file: 'pieces/au-clair.abc',
    instrument: 'violin',
    level: 'beginner',
    school: null,
    phrases: '1-4 5-8 13-16 9-12',
    why: 'A A B A: the tune comes three times, so three quarters of the song are known before the other line',
  },
  {
    file: 'pieces/lightly-row.abc',
    instrument: 'trumpet',
    level: 'beginner',
    school: null,
    phrases: '1-4 5-8 13-16 9-12',
    why: 'the first line, the same with another end, the last line as the second, then the line of repeated notes',
  },
  {
    file: 'pieces/minuet-g.abc',
    instrument: 'piano',
    level: 'beginner',
    school: null,
    phrases: '1-4 5-8 9-12 13-16',
    why: 'a half of a minuet from the beginning; the second period is the first with another end and bass',
  },
  {
    file: 'pieces/brother-john.abc',
    instrument: 'recorder',
    level: 'beginner',
    school: null,
    phrases: '1-2 3-4 5-6 7-8',
    why: 'a round is learned in the order in which it is sung, every line twice',
  },
  {
    file: 'ways/band-part.abc',
    instrument: 'trumpet',
    level: 'beginner',
    school: null,
    phrases: '1-4 9-12 5-8 13-16',
    why: 'the opening comes back note for note; the two other lines are the same three rhythms',
  },
  {
    file: 'ways/harbour-song.abc',
    instrument: 'guitar',
    level: 'beginner',
    school: null,
    phrases: '1-4 5-8 13-16 9-12',
    why: 'three lines on the same chords first; then the line with the quick change',
  },
  {
    file: 'ways/harbour-song.abc',
    instrument: 'guitar',
    level: 'intermediate',
    school: 'corners',
    phrases: '9-12 1-4 5-8 13-16',
    why: 'four chords in one bar are what will cost the time',
  },
  {
    file: 'ways/sixteenths.abc',
    instrument: 'violin',
    level: 'intermediate',
    school: null,
    phrases: '1-4 5-8 17-20 21-24 9-12 13-16',
    why: 'the first period is two thirds of the study, for it comes back whole; then the middle from its beginning',
  },
  {
    file: 'pieces/training/rondo-g.abc',
    instrument: 'piano',
    level: 'advanced',
    school: null,
    phrases: '1-4 5-8 17-20 21-24 33-36 37-40 25-28 29-32 9-12 13-16',
    why: 'the refrain is three fifths of the piece; then the harder episode, in the minor with leaps, then the other',
  },
  {
    file: 'pieces/training/running-study.abc',
    instrument: 'piano',
    level: 'intermediate',
    school: 'ends',
    phrases: '1-4 13-16 5-8 9-12',
    why: 'both ends, then the middle',
  },
  {
    file: 'pieces/au-clair.abc',
    instrument: 'clarinet',
    level: 'intermediate',
    school: 'end',
    phrases: '1-4 5-8 13-16 9-12',
    why: 'the last line is the first one: learned where it first stands, with its copies; then what leads into it',
  },
];
