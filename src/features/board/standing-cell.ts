import { chanceItHolds, dueState, LEVEL_NAMES, type FoldedStanding } from '@/core/mastery';
import { inBeats, type TempoUnit } from '@/core/score';
import { dayOf, type Level, type Zone } from '@/core/studio';
import type { GridCell } from './grid';

/** One standing as the board shows it, its tempo in the beat of the piece; a section not heard yet is at level 0. */
export function standingCell(there: FoldedStanding | undefined, unit: TempoUnit, now: string, zone: Zone): GridCell {
  if (!there || there.level === null)
    return { level: 0, due: false, atRisk: false, overruled: false, storing: false, says: 'not heard yet' };
  const due = dueState(there.fading, there.at, now);
  const chance = there.fading ? Math.round(chanceItHolds(there.fading, there.at, now) * 100) : null;
  const says = [
    `level ${there.level}, ${LEVEL_NAMES[there.level]}`,
    dayOf(there.at, zone),
    there.tempo === null ? '' : `at ${inBeats(there.tempo, unit)}`,
    there.overruled && there.proposed !== null
      ? `decided by you against ${there.proposed}`
      : there.proposed === null
        ? 'decided by you'
        : 'as proposed',
    due === 'fresh' || there.fading === null
      ? ''
      : `due since ${dayOf(there.fading.due, zone)}, holds with ${chance ?? 0} %`,
  ]
    .filter(Boolean)
    .join(', ');
  return {
    level: there.level,
    due: due !== 'fresh',
    atRisk: due === 'at-risk',
    overruled: there.overruled,
    storing: false,
    says: there.note ? `${says}: ${there.note}` : says,
  };
}

/** A cell whose work is being read. */
export const WAITING_CELL: GridCell = {
  level: 0,
  due: false,
  atRisk: false,
  overruled: false,
  storing: false,
  waiting: true,
  says: 'being read…',
};

/** Several sections as one: the average level, rounded down, with how many are due. Null when none was heard. */
export function piecesCell(
  standings: readonly FoldedStanding[],
  sections: number,
  now: string,
  zone: Zone,
): GridCell | null {
  const heard = standings.flatMap((s) => (s.level === null ? [] : [{ s, level: s.level }]));
  if (heard.length === 0) return null;
  const sum = heard.reduce((a, h) => a + h.level, 0);
  const level = Math.floor(sum / Math.max(sections, heard.length)) as Level;
  const states = heard.map((h) => dueState(h.s.fading, h.s.at, now));
  const due = states.filter((x) => x !== 'fresh').length;
  const last =
    heard
      .map((h) => h.s.at)
      .sort()
      .pop() ?? '';
  return {
    level,
    due: due > 0,
    atRisk: states.includes('at-risk'),
    overruled: false,
    storing: false,
    says: `level ${level} on average of ${Math.max(sections, heard.length)} sections, last heard ${dayOf(last, zone)}${due > 0 ? `, ${due} due` : ''}`,
  };
}
