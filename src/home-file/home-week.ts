import type { Player } from '@/core/players';
import type { Score } from '@/core/score';
import type { Day, Piece, Student } from '@/core/studio';
import type { Words } from '@/core/words';
import type { SeenMarks } from '@/marked';
import type { HomeStep } from '@/room';

/** The music of a task: only the bars that are printed are written in it. */
export interface HomeMusic {
  readonly score: Score;
  readonly player: Player;
  readonly instrument: Piece['instrument'];
}

export interface HomeTask {
  /** By which it is known when it comes back. */
  readonly key: number;
  readonly number: number;
  readonly title: string;
  readonly cue: string;
  /** Days of the week, 0 Monday, and how often on each. */
  readonly days: readonly number[];
  readonly boxes: number;
  readonly minutes: number;
  /** The music, by piece; null where there is none. */
  readonly music: string | null;
  /** Which excerpt of the sheet it is, by the place of its drawing in the page. */
  readonly excerpt: string | null;
  readonly seen: SeenMarks | null;
  readonly steps: readonly HomeStep[];
  /** So many of them were done before the week began. */
  readonly before: number;
}

/** Everything that the file for home knows. */
export interface HomeWeek {
  readonly student: Student['name'];
  /** By which the week is known when it comes back. */
  readonly key: number;
  readonly from: Day;
  readonly week: string;
  readonly cue: string;
  readonly minutesPerDay: readonly number[];
  readonly words: Words;
  readonly cautions: readonly string[];
  readonly tasks: readonly HomeTask[];
  readonly music: ReadonlyMap<string, HomeMusic>;
  /** a′ in hertz. */
  readonly a4: number;
  /** Recordings of the piano by key, in base 64; empty where its notes are made. */
  readonly piano: ReadonlyMap<number, string>;
}
