import type { Facet, Level, StudioEvent } from '../studio';
import { fadingOfHistory, type Fading } from './fading';
import { foldEvents, standingKey } from './fold-events';

/** One hearing in a row of a climb: when, level, tempo (quarters a minute or null). */
export type Hearings = readonly (readonly [string, Level, number | null])[];

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

/** Folds the events of one student on one section; null when none of them holds. Retractions must be among the events. */
export function foldStanding(events: readonly StudioEvent[]): FoldedStanding | null {
  const { standings, rungsDone } = foldEvents(events);
  const about = events.find((e) => e.kind === 'level' || e.kind === 'rung');
  if (!about || (about.kind !== 'level' && about.kind !== 'rung')) return null;
  const { studentId, pieceId, sectionId } = about;
  const key = standingKey(studentId, sectionId);
  const standing = standings.get(key);
  const done = [...(rungsDone.get(key) ?? [])];
  if (!standing && done.length === 0) return null;
  const history = standing?.history ?? [];
  return {
    key,
    studentId,
    pieceId,
    sectionId,
    level: standing?.level ?? null,
    at: standing?.at ?? '',
    tempo: standing?.tempo ?? null,
    note: standing?.note ?? '',
    facets: standing?.facets ?? {},
    overruled: standing?.overruled ?? false,
    proposed: history[history.length - 1]?.proposed ?? null,
    hearings: history.map((e) => [e.at, e.level, e.tempo] as const),
    fading: fadingOfHistory(history),
    rungsDone: done,
  };
}

/** Folds any number of events into standings, one a student and section; the order of arrival does not matter. */
export function foldStandings(events: readonly StudioEvent[]): FoldedStanding[] {
  const byKey = new Map<string, StudioEvent[]>();
  const keyOf = new Map<string, string>();
  const words: StudioEvent[] = [];
  for (const e of events) {
    if (e.kind === 'retract' || e.kind === 'restore') words.push(e);
    if (e.kind !== 'level' && e.kind !== 'rung') continue;
    const key = standingKey(e.studentId, e.sectionId);
    keyOf.set(e.id, key);
    const list = byKey.get(key);
    if (list) list.push(e);
    else byKey.set(key, [e]);
  }
  const wordById = new Map(words.map((w) => [w.id, w]));
  const keyAbout = (id: string, asking: readonly string[]): string | undefined => {
    const key = keyOf.get(id);
    const word = wordById.get(id);
    if (key !== undefined || !word || !('target' in word) || asking.includes(id)) return key;
    return keyAbout(word.target, [...asking, id]);
  };
  for (const w of words) byKey.get(keyAbout(w.id, []) ?? '')?.push(w);
  return [...byKey.values()].flatMap((list) => foldStanding(list) ?? []);
}
