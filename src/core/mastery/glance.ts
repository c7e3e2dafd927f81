import { millisecondsOf } from '../studio';
import { atRiskFrom } from './fading';
import type { FoldedStanding } from './fold-standing';

/** How one student stands on one piece, in as little room as it can be said: for boards of whole studios. */
export interface Glance {
  /** `student piece`. */
  readonly key: string;
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
 * What a work is known by: one student, one piece.
 *
 * @example workKey({ studentId: 'wren', pieceId: 'quay' }) // → 'wren quay'
 */
export const workKey = ({ studentId, pieceId }: Pick<FoldedStanding, 'studentId' | 'pieceId'>): string =>
  `${studentId} ${pieceId}`;

/**
 * The glance at the standings of one student on one piece; null without any.
 *
 * @example glanceOf(foldStandings([level('2026-05-20', 'a', 3), level('2026-05-20', 'b', 1)])).levels // → 4
 */
export function glanceOf(standings: readonly FoldedStanding[]): Glance | null {
  const [first] = standings;
  if (!first) return null;
  const fading = standings.flatMap((s) => (s.fading ? [{ fading: s.fading, at: s.at }] : []));
  return {
    key: workKey(first),
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
