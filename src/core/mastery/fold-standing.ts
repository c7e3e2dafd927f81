import type { Facet, Level, StudioEvent } from '../studio';
import { fadingOfHistory, type Fading } from './fading';
import { foldEvents, standingKey, type FoldedRecords } from './fold-events';

/** One hearing in a row of a climb: when, level, tempo (quarters a minute or null), the lesson it was in or null. */
export type Hearings = readonly (readonly [string, Level, number | null, string | null])[];

/** All that is known of one student on one section, folded and kept, so that no screen has to read every record. */
export interface FoldedStanding {
  readonly key: string;
  readonly studentId: string;
  readonly pieceId: string;
  readonly sectionId: string;
  /** Null when only rungs were ticked off. */
  readonly level: Level | null;
  readonly at: string;
  readonly tempo: number | null;
  readonly note: string;
  readonly facets: Readonly<Partial<Record<Facet, boolean>>>;
  readonly overruled: boolean;
  readonly proposed: Level | null;
  /** Oldest first. */
  readonly hearings: Hearings;
  readonly fading: Fading | null;
  /** Ids of rungs ticked off. */
  readonly rungsDone: readonly string[];
}

function keptStanding(key: string, { standings, rungsDone, practised }: FoldedRecords): FoldedStanding | null {
  const standing = standings.get(key);
  const rungs = rungsDone.get(key);
  const about = standing ?? rungs;
  if (!about || (!standing && rungs?.ids.size === 0)) return null;
  const history = standing?.history ?? [];
  return {
    key,
    studentId: about.studentId,
    pieceId: about.pieceId,
    sectionId: about.sectionId,
    level: standing?.level ?? null,
    at: standing?.at ?? '',
    tempo: standing?.tempo ?? null,
    note: standing?.note ?? '',
    facets: standing?.facets ?? {},
    overruled: standing?.overruled ?? false,
    proposed: history[history.length - 1]?.proposed ?? null,
    hearings: history.map((e) => [e.at, e.level, e.tempo, e.lessonId ?? null] as const),
    fading: fadingOfHistory(history, practised.get(key)),
    rungsDone: [...(rungs?.ids ?? [])],
  };
}

/**
 * Folds events into the standing of one student on one section; null when none of them holds. What takes them back must
 * be among them.
 *
 * @example foldStanding([level('2026-05-20', 'a', 3), level('2026-05-27', 'a', 4)], 's', 'a').level // → 4
 */
export const foldStanding = (
  events: readonly StudioEvent[],
  studentId: string,
  sectionId: string,
): FoldedStanding | null => keptStanding(standingKey(studentId, sectionId), foldEvents(events));

/**
 * Folds any number of events into standings, one a student and section; the order of arrival does not matter.
 *
 * @example foldStandings([level('2026-05-20', 'a', 3), level('2026-05-20', 'b', 1)]).map((s) => s.level) // → [3, 1]
 */
export function foldStandings(events: readonly StudioEvent[]): FoldedStanding[] {
  const folded = foldEvents(events);
  return [...new Set([...folded.standings.keys(), ...folded.rungsDone.keys()])].flatMap(
    (key) => keptStanding(key, folded) ?? [],
  );
}
