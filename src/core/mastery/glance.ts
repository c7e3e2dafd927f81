import { millisecondsOf, placeKey } from '../studio';
import { atRiskFrom } from './fading';
import type { FoldedStanding } from './fold-standing';

/** How one student stands on one piece, in as little room as it can be said: for boards of whole studios. */
export interface Glance {
  /** `student piece`. */
  readonly key: string;
  /** Changes whenever the work is folded anew. */
  readonly stamp: string;
  readonly studentId: string;
  readonly pieceId: string;
  /** When something of it was heard last; `''` where nothing was. */
  readonly heardAt: string;
  /** How many sections and chunks something is known of, and the sum of their levels. */
  readonly places: number;
  readonly levels: number;
  /** When each that can fade is due, and from when it is at risk: milliseconds since 1970. */
  readonly due: Float64Array;
  readonly risk: Float64Array;
}

/**
 * The glance at the standings of one student on one piece; null without any.
 *
 * @example glanceOf(foldStandings([level('2026-05-20', 'a', 3), level('2026-05-20', 'b', 1)]), '1').levels // → 4
 */
export function glanceOf(standings: readonly FoldedStanding[], stamp: string): Glance | null {
  const [first] = standings;
  if (!first) return null;
  const fading = standings.flatMap((s) => (s.fading ? [{ fading: s.fading, at: s.at }] : []));
  return {
    key: placeKey(first),
    stamp,
    studentId: first.studentId,
    pieceId: first.pieceId,
    heardAt: standings.reduce((latest, s) => (s.at > latest ? s.at : latest), ''),
    places: standings.length,
    levels: standings.reduce((sum, s) => sum + (s.level ?? 0), 0),
    due: Float64Array.from(fading, (f) => millisecondsOf(f.fading.due)),
    risk: Float64Array.from(fading, (f) => atRiskFrom(f.fading, f.at)),
  };
}

const until = (times: Float64Array, now: string): number => {
  const ms = millisecondsOf(now);
  let count = 0;
  for (const time of times) if (time <= ms) count += 1;
  return count;
};

/**
 * How much of a work is due, and how much of that is at risk.
 *
 * @example dueAtAGlance({ due: Float64Array.of(0), risk: Float64Array.of(Infinity) }, '2026-05-20T15:00:00.000Z')
 * // → { due: 1, atRisk: 0 }
 */
export const dueAtAGlance = (
  glance: Pick<Glance, 'due' | 'risk'>,
  now: string,
): { readonly due: number; readonly atRisk: number } => ({
  due: until(glance.due, now),
  atRisk: until(glance.risk, now),
});

/** All glances at one student in columns: a table of these is read ten times as fast as one of glances. */
export interface PackedGlances {
  readonly studentId: string;
  readonly pieceIds: readonly string[];
  readonly stamps: readonly string[];
  readonly heardAt: readonly string[];
  /** Of each work: places, sum of levels, how many of `due` and `risk` are its. */
  readonly counts: Int32Array;
  readonly due: Float64Array;
  readonly risk: Float64Array;
}

const COUNTS = 3;

function joined(lists: readonly Float64Array[]): Float64Array {
  const all = new Float64Array(lists.reduce((sum, list) => sum + list.length, 0));
  let at = 0;
  for (const list of lists) {
    all.set(list, at);
    at += list.length;
  }
  return all;
}

/**
 * Glances at one student in columns.
 *
 * @example packGlances('s', []).pieceIds // → []
 */
export const packGlances = (studentId: string, glances: readonly Glance[]): PackedGlances => ({
  studentId,
  pieceIds: glances.map((g) => g.pieceId),
  stamps: glances.map((g) => g.stamp),
  heardAt: glances.map((g) => g.heardAt),
  counts: Int32Array.from(glances.flatMap((g) => [g.places, g.levels, g.due.length])),
  due: joined(glances.map((g) => g.due)),
  risk: joined(glances.map((g) => g.risk)),
});

/**
 * The glances again.
 *
 * @example unpackGlances(packGlances('s', [])) // → []
 */
export function unpackGlances({ studentId, pieceIds, stamps, heardAt, counts, due, risk }: PackedGlances): Glance[] {
  let from = 0;
  return pieceIds.map((pieceId, i): Glance => {
    const [places = 0, levels = 0, length = 0] = counts.subarray(i * COUNTS);
    const at = from;
    from += length;
    return {
      key: placeKey({ studentId, pieceId }),
      stamp: stamps[i] ?? '',
      studentId,
      pieceId,
      heardAt: heardAt[i] ?? '',
      places,
      levels,
      due: due.subarray(at, from),
      risk: risk.subarray(at, from),
    };
  });
}
