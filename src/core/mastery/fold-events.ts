import type { EventOf, Facet, FingeringEvent, Level, LevelEvent, PracticeEvent, StudioEvent } from '../studio';

/** Where a student stands on a section, and how it came about. */
export interface Standing {
  readonly studentId: string;
  readonly pieceId: string;
  readonly sectionId: string;
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

export interface RungsDone {
  readonly studentId: string;
  readonly pieceId: string;
  readonly sectionId: string;
  readonly ids: ReadonlySet<string>;
}

export interface FoldedRecords {
  readonly standings: ReadonlyMap<string, Standing>;
  /** `student section` → rungs ticked off. */
  readonly rungsDone: ReadonlyMap<string, RungsDone>;
  /** Note id → fingers changed after practice had begun, oldest first. */
  readonly fingerings: ReadonlyMap<string, readonly FingeringEvent[]>;
  /** `student section` → what was practised of it at home, oldest first. */
  readonly practised: ReadonlyMap<string, readonly PracticeEvent[]>;
}

/**
 * What a standing is known by: one student, one section.
 *
 * @example standingKey('wren', 'section-a') // → 'wren section-a'
 */
export const standingKey = (studentId: string, sectionId: string): string => `${studentId} ${sectionId}`;

/** Adds to the list of a key. */
export function addTo<T>(lists: Map<string, T[]>, key: string, item: T): void {
  const there = lists.get(key);
  if (there) there.push(item);
  else lists.set(key, [item]);
}

const inOrder = (a: StudioEvent, b: StudioEvent): number =>
  a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;

/** What holds of lists that were asked about: lessons, weeks and practice of a student ask about the same list. */
const heldOf = new WeakMap<readonly StudioEvent[], readonly StudioEvent[]>();

/**
 * Events that hold: not taken back, or taken back and restored. The latest word about an event counts, unless that word
 * was itself taken back. Same events twice count once.
 *
 * @example
 * heldEvents([level('2026-05-20', 'a', 3), takenBack('2026-05-21', 'a 2026-05-20')]).map((e) => e.kind) // → []
 */
export function heldEvents(events: readonly StudioEvent[]): readonly StudioEvent[] {
  const known = heldOf.get(events);
  if (known) return known;
  const held = findHeld(events);
  heldOf.set(events, held);
  return held;
}

function findHeld(events: readonly StudioEvent[]): readonly StudioEvent[] {
  const unique = [...new Map(events.map((e) => [e.id, e])).values()].sort(inOrder);
  const words = new Map<string, StudioEvent[]>();
  for (const e of unique) if (e.kind === 'retract' || e.kind === 'restore') addTo(words, e.target, e);
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
 * Corrections put in the place of what they correct, though that may have been about another student or section: the
 * corrected record goes, the correction counts at the time of the record it stands in for. A correction of a correction
 * leads back to the first; one whose record is missing counts at its own time. The result is in order of time.
 */
export function correctedLevels(events: readonly LevelEvent[]): LevelEvent[] {
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
function standingOf(history: readonly LevelEvent[]): Standing | null {
  const last = history[history.length - 1];
  if (!last) return null;
  const facets: Partial<Record<Facet, boolean>> = {};
  for (const e of history) Object.assign(facets, e.facets);
  return {
    studentId: last.studentId,
    pieceId: last.pieceId,
    sectionId: last.sectionId,
    level: last.level,
    at: last.at,
    tempo: last.tempo,
    note: last.note,
    facets,
    overruled: last.proposed !== null && last.proposed !== last.level,
    history,
  };
}

type Joined = EventOf<'section-joined'>;

/** The weaker of two standings; nothing heard is the weakest. */
const weaker = (a: Standing | undefined, b: Standing | undefined): Standing | null =>
  !a || !b ? null : a.level <= b.level ? a : b;

/** Sections that took in another stand, until they are heard as a whole, where the weaker of the two stood. */
function withJoins(standings: Map<string, Standing>, joins: readonly Joined[]): void {
  const students = new Set([...standings.values()].map((s) => s.studentId));
  for (const join of [...joins].sort(inOrder))
    for (const studentId of students) {
      const key = standingKey(studentId, join.into);
      const whole = standings.get(key);
      if (whole && whole.at > join.at) continue;
      const part = standings.get(standingKey(studentId, join.sectionId));
      const known = weaker(whole, part);
      if (known) standings.set(key, { ...known, sectionId: join.into });
      else if (whole) standings.set(key, { ...whole, level: 0, overruled: false });
    }
}

/**
 * The state as a fold over append-only events. The order in which events arrive does not matter: they are put in order
 * of time, then id. No events give empty maps.
 *
 * @example [...foldEvents([level('2026-05-20', 'a', 3)]).standings.keys()] // → ['s a']
 */
export function foldEvents(events: readonly StudioEvent[]): FoldedRecords {
  const levels: LevelEvent[] = [];
  const joins: Joined[] = [];
  const rungsDone = new Map<string, RungsDone & { readonly ids: Set<string> }>();
  const fingerings = new Map<string, FingeringEvent[]>();
  const practised = new Map<string, PracticeEvent[]>();
  for (const e of heldEvents(events)) {
    switch (e.kind) {
      case 'level':
        levels.push(e);
        break;
      case 'rung': {
        const key = standingKey(e.studentId, e.sectionId);
        const there = rungsDone.get(key) ?? {
          studentId: e.studentId,
          pieceId: e.pieceId,
          sectionId: e.sectionId,
          ids: new Set<string>(),
        };
        if (e.done) there.ids.add(e.rungId);
        else there.ids.delete(e.rungId);
        rungsDone.set(key, there);
        break;
      }
      case 'fingering':
        addTo(fingerings, e.noteId, e);
        break;
      case 'practice':
        if (e.sectionId !== null) addTo(practised, standingKey(e.studentId, e.sectionId), e);
        break;
      case 'section-joined':
        joins.push(e);
        break;
      case 'lesson':
      case 'lesson-joined':
      case 'said':
      case 'assignment':
      case 'retract':
      case 'restore':
        break;
      default:
        // A new kind of record has to say here what folding makes of it.
        e satisfies never;
    }
  }
  const histories = new Map<string, LevelEvent[]>();
  for (const e of correctedLevels(levels)) addTo(histories, standingKey(e.studentId, e.sectionId), e);
  const standings = new Map<string, Standing>();
  for (const [key, history] of histories) {
    const standing = standingOf(history);
    if (standing) standings.set(key, standing);
  }
  withJoins(standings, joins);
  return { standings, rungsDone, fingerings, practised };
}
