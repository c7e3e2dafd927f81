import { USUAL_OVERHEAD, type StudentLevel } from '../ladder';
import { standingKey, type FoldedStanding } from '../mastery';
import { barsText } from '../sections';
import type { Score } from '../score';
import { type Ladder, type Piece, type Rung } from '../studio';
import { kindOf, type LevelAt, type WalkedPlace } from '../way';

/** A piece with a way, as one student goes it. */
export interface WayWork {
  readonly piece: Piece;
  readonly score: Score;
  readonly places: readonly WalkedPlace[];
  /** As this student climbs them. */
  readonly ladders: readonly Ladder[];
}

export interface WayWeek {
  readonly studentId: string;
  readonly standings: ReadonlyMap<string, FoldedStanding>;
  readonly now: string;
  readonly level: StudentLevel;
  readonly overhead: number;
  /** Minutes of practice in a week, for saying when what is left out will come. */
  readonly minutesAWeek: number;
  /** Tasks of this piece that the week has room for: the way is followed so far, not farther. */
  readonly tasks: number;
}

/** Places looked at for one week, of one piece. Chosen by us. */
export const PLACES_AHEAD = 10;
/** A task under this stands with others, not by itself. */
export const LEAST_MINUTES = 2;
export const LONGEST_ITEM = 12;
export const DAYS_OF_NEW = 4;
/** What is to be learned first weighs most; each place further on a little less. */
export const WEIGHT = { technique: 95, check: 90, chunk: 70, corner: 75, join: 64, whole: 65, well: 63 } as const;
export const PER_PLACE = 4;

export const shortened = (minutes: number): number => Math.max(1, Math.min(LONGEST_ITEM, Math.round(minutes)));
export const levelOfPlaces =
  ({ standings, studentId }: WayWeek): LevelAt =>
  (id) =>
    standings.get(standingKey(studentId, id))?.level ?? null;

export const openRungs = (work: WayWork, place: WalkedPlace, week: WayWeek): readonly Rung[] => {
  const done = week.standings.get(standingKey(week.studentId, place.section.id))?.rungsDone ?? [];
  const ladder = work.ladders.find((l) => l.sectionId === place.section.id);
  return (ladder?.rungs ?? []).filter((r) => !done.includes(r.id));
};

/** `Lamps, B whole`, `Lamps, bars 9–10`. */
export function nameOf({ piece, score }: WayWork, place: WalkedPlace): string {
  const { section } = place;
  const letter = section.letter === '' ? '' : `${section.letter} `;
  return `${piece.title}, ${kindOf(section) === 'section' ? `${letter}${barsText(score, place.from, place.to)}` : section.name}`;
}

export const paceOf = ({ overhead }: WayWeek): number => overhead / USUAL_OVERHEAD;
