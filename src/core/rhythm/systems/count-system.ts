import type { Fraction } from '../../score';

/** The beat a place is in: its number from 1, and whether it divides in three. */
export interface BeatPlace {
  readonly number: number;
  readonly compound: boolean;
}

/** One note or rest as it is counted: where in its beat it begins and how long it is, both in beats. */
export interface Counted {
  readonly place: Fraction;
  readonly beats: Fraction;
  readonly beat: BeatPlace;
  readonly sounding: boolean;
}

/** What is said, and how many beats after the beginning. */
export interface Said {
  readonly text: string;
  readonly after: Fraction;
}

/** A way of counting; one is added by one file and its line in `systems.ts`. */
export interface CountingSystem {
  /** How it sounds, as a teacher would name it. */
  readonly label: string;
  /** What a student is asked to do: `say the count`. */
  readonly task: string;
  /** Names the place in the beat, so that beats on which nothing begins have a name, too. */
  readonly namesBeats: boolean;
  /** What is said of a note or rest; the first stands at its beginning. */
  readonly say: (counted: Counted) => readonly Said[];
}
