import { dayOf, type Day, type Zone } from '../studio';
import type { FoldedStanding } from './fold-standing';

export interface ClimbPoint {
  readonly day: Day;
  /** Average level of the sections, 0 to 5, to a tenth; a section not heard yet counts 0. */
  readonly level: number;
  /** Fastest tempo reached until then on any section, quarters a minute; null before one was taken. */
  readonly tempo: number | null;
}

/**
 * How a student climbed a piece of so many sections: one point for each day, where the studio is, on which something
 * was heard; in order of time.
 *
 * @example
 * climbOf(foldStandings([level('2026-05-20', 'a', 3)]), 2, 'UTC') // → [{ day: '2026-05-20', level: 1.5, tempo: null }]
 */
export function climbOf(standings: readonly FoldedStanding[], sections: number, zone: Zone): ClimbPoint[] {
  const hearings = standings
    .flatMap((s) => s.hearings.map(([at, level, tempo]) => ({ at, level, tempo, section: s.sectionId })))
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  const levels = new Map<string, number>();
  const points = new Map<string, ClimbPoint>();
  let tempo: number | null = null;
  for (const h of hearings) {
    levels.set(h.section, h.level);
    if (h.tempo !== null) tempo = Math.max(tempo ?? 0, h.tempo);
    const sum = [...levels.values()].reduce((a, b) => a + b, 0);
    const day = dayOf(h.at, zone);
    points.set(day, { day, level: Math.round((sum / Math.max(1, sections, levels.size)) * 10) / 10, tempo });
  }
  return [...points.values()];
}
