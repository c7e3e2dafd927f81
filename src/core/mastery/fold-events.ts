import type { Level, StudioEvent } from '../studio';

export type LevelEvent = Extract<StudioEvent, { kind: 'level' }>;
export type FingeringEvent = Extract<StudioEvent, { kind: 'fingering' }>;

/** Where a student stands on a section, and how it came about. */
export interface Standing {
  readonly level: Level;
  readonly at: string;
  readonly tempo: number | null;
  readonly note: string;
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

const inOrder = (a: StudioEvent, b: StudioEvent): number => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** Events that hold: not taken back, or taken back and restored. The latest word about an event counts. Same events twice count once. */
export function heldEvents(events: readonly StudioEvent[]): StudioEvent[] {
  const unique = [...new Map(events.map((e) => [e.id, e])).values()].sort(inOrder);
  const retracted = new Map<string, boolean>();
  for (const e of unique) {
    if (e.kind === 'retract') retracted.set(e.target, true);
    else if (e.kind === 'restore') retracted.set(e.target, false);
  }
  return unique.filter((e) => e.kind !== 'retract' && e.kind !== 'restore' && !retracted.get(e.id));
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
      case 'retract':
      case 'restore':
        break;
    }
  }
  const standings = new Map<string, Standing>();
  for (const [key, history] of histories) {
    const last = history[history.length - 1];
    if (last)
      standings.set(key, {
        level: last.level,
        at: last.at,
        tempo: last.tempo,
        note: last.note,
        overruled: last.proposed !== null && last.proposed !== last.level,
        history,
      });
  }
  return { standings, rungsDone, fingerings };
}

/** Whether a number is one of the levels, 0 to 5. */
export const isLevel = (n: number): n is Level => Number.isInteger(n) && n >= 0 && n <= 5;

/** Names of the levels, 0 to 5. */
export const LEVEL_NAMES = ['Ground', 'Found', 'Steady', 'Joined', 'At tempo', 'Secure'] as const;
/** What is heard at each level. */
export const LEVEL_HEARD = [
  'not begun',
  'finds the place and gets through with help or stops',
  'alone, slow, right notes, fingers and count',
  'hands or parts together, in time, joined to its neighbours',
  'target tempo with articulation and dynamics',
  'from cold, from any starting point, under pressure',
] as const;
