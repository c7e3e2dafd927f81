import type { Facet, Level, StudioEvent } from '../studio';

export type LevelEvent = Extract<StudioEvent, { kind: 'level' }>;
export type RungEvent = Extract<StudioEvent, { kind: 'rung' }>;
export type FingeringEvent = Extract<StudioEvent, { kind: 'fingering' }>;
export type LessonEvent = Extract<StudioEvent, { kind: 'lesson' }>;
export type SaidEvent = Extract<StudioEvent, { kind: 'said' }>;
export type AssignmentEvent = Extract<StudioEvent, { kind: 'assignment' }>;
export type PracticeEvent = Extract<StudioEvent, { kind: 'practice' }>;

/** Where a student stands on a section, and how it came about. */
export interface Standing {
  readonly level: Level;
  readonly at: string;
  readonly tempo: number | null;
  readonly note: string;
  /** What was heard the last time each facet was listened for. */
  readonly facets: Readonly<Partial<Record<Facet, boolean>>>;
  /** The teacher chose another level than the one proposed. */
  readonly overruled: boolean;
  /** Oldest first; the last is the current one. */
  readonly history: readonly LevelEvent[];
}

export interface FoldedRecords {
  readonly standings: ReadonlyMap<string, Standing>;
  /** `student section` → ids of rungs ticked off. */
  readonly rungsDone: ReadonlyMap<string, ReadonlySet<string>>;
  /** Note id → fingers changed after practice had begun, oldest first. */
  readonly fingerings: ReadonlyMap<string, readonly FingeringEvent[]>;
}

export const standingKey = (studentId: string, sectionId: string): string => `${studentId} ${sectionId}`;

/** The student and section an event is about; null for events about something else. */
export const keyOfEvent = (e: StudioEvent): string | null => (e.kind === 'level' || e.kind === 'rung' ? standingKey(e.studentId, e.sectionId) : null);

const inOrder = (a: StudioEvent, b: StudioEvent): number => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/**
 * Events that hold: not taken back, or taken back and restored. The latest word about an event counts, unless that word was itself
 * taken back. Same events twice count once.
 */
export function heldEvents(events: readonly StudioEvent[]): StudioEvent[] {
  const unique = [...new Map(events.map((e) => [e.id, e])).values()].sort(inOrder);
  const words = new Map<string, StudioEvent[]>();
  for (const e of unique)
    if (e.kind === 'retract' || e.kind === 'restore') {
      const about = words.get(e.target);
      if (about) about.push(e);
      else words.set(e.target, [e]);
    }
  const isTakenBack = (id: string, asking: readonly string[]): boolean => {
    const about = words.get(id);
    // Words that speak of one another in a ring say nothing.
    if (!about || asking.includes(id)) return false;
    for (let i = about.length - 1; i >= 0; i -= 1) {
      const word = about[i];
      if (word && !isTakenBack(word.id, [...asking, id])) return word.kind === 'retract';
    }
    return false;
  };
  return unique.filter((e) => e.kind !== 'retract' && e.kind !== 'restore' && !isTakenBack(e.id, []));
}

/**
 * Corrections put in the place of what they correct: the corrected record goes, the correction counts at the time of the record it
 * stands in for. A correction of a correction leads back to the first; one whose record is missing counts at its own time.
 */
function corrected(events: readonly LevelEvent[]): LevelEvent[] {
  const byId = new Map(events.map((e) => [e.id, e]));
  const gone = new Set(events.flatMap((e) => (e.corrects === undefined ? [] : [e.corrects])));
  const heardAt = (e: LevelEvent): string => {
    const seen = new Set<string>();
    let first = e;
    while (first.corrects !== undefined && !seen.has(first.id)) {
      seen.add(first.id);
      const before = byId.get(first.corrects);
      if (!before) break;
      first = before;
    }
    return first.at;
  };
  return events
    .filter((e) => !gone.has(e.id))
    .map((e) => (e.corrects === undefined ? e : { ...e, at: heardAt(e) }))
    .sort(inOrder);
}

/** The standing that a history of levels, of one student on one section, comes to; null without any. */
function standingOf(events: readonly LevelEvent[]): Standing | null {
  const history = corrected(events);
  const last = history[history.length - 1];
  if (!last) return null;
  const facets: Partial<Record<Facet, boolean>> = {};
  for (const e of history) Object.assign(facets, e.facets);
  return {
    level: last.level,
    at: last.at,
    tempo: last.tempo,
    note: last.note,
    facets,
    overruled: last.proposed !== null && last.proposed !== last.level,
    history,
  };
}

/**
 * The state as a fold over append-only events. The order in which events arrive does not matter: they are put in order of time,
 * then id. No events give empty maps.
 */
export function foldEvents(events: readonly StudioEvent[]): FoldedRecords {
  const histories = new Map<string, LevelEvent[]>();
  const rungsDone = new Map<string, Set<string>>();
  const fingerings = new Map<string, FingeringEvent[]>();
  for (const e of heldEvents(events)) {
    switch (e.kind) {
      case 'level': {
        const key = standingKey(e.studentId, e.sectionId);
        const list = histories.get(key);
        if (list) list.push(e);
        else histories.set(key, [e]);
        break;
      }
      case 'rung': {
        const key = standingKey(e.studentId, e.sectionId);
        const set = rungsDone.get(key) ?? new Set<string>();
        if (e.done) set.add(e.rungId);
        else set.delete(e.rungId);
        rungsDone.set(key, set);
        break;
      }
      case 'fingering': {
        const there = fingerings.get(e.noteId);
        if (there) there.push(e);
        else fingerings.set(e.noteId, [e]);
        break;
      }
      case 'lesson':
      case 'said':
      case 'assignment':
      case 'practice':
      case 'retract':
      case 'restore':
        break;
    }
  }
  const standings = new Map<string, Standing>();
  for (const [key, history] of histories) {
    const standing = standingOf(history);
    if (standing) standings.set(key, standing);
  }
  return { standings, rungsDone, fingerings };
}
