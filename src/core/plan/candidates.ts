import { dueState, standingKey, type FoldedStanding } from '../mastery';
import { isSection } from '../way';
import { barsText } from '../sections';
import type { PlacedSection } from '../sections';
import type { Score } from '../score';
import { estimateMinutes, RUNGS, targetTempo, USUAL_OVERHEAD } from '../ladder';
import type { Ladder, Piece, Rung } from '../studio';
import type { Candidate } from './week-tray';

/** One piece in a student's work, with what is known of it. */
export interface WorkedPiece {
  readonly piece: Piece;
  readonly score: Score;
  readonly sections: readonly PlacedSection[];
  readonly ladders: readonly Ladder[];
}

/** The next rung of a section and the one after it. */
const RUNGS_A_WEEK = 2;
const LONGEST_ITEM = 12;
const shortened = (minutes: number): number => Math.max(1, Math.min(LONGEST_ITEM, Math.round(minutes)));

/**
 * The lowest rung not yet ticked off; null at the top.
 *
 * @example nextRung({ rungs: [rung('tap'), rung('slow')] }, ['tap']).kind // → 'slow'
 */
export const nextRung = (ladder: Ladder | undefined, done: readonly string[]): Rung | null =>
  ladder?.rungs.find((r) => !done.includes(r.id)) ?? null;

/**
 * What could go into next week, weighed: technique of the next rungs, due checks, corners, next rungs; new sections
 * last.
 *
 * @example
 * weekCandidates([{ piece: piece(), score, sections: placeSections(score, [section('a', 0, 3)]),
 *   ladders: [{ id: 'l', pieceId: 'p', sectionId: 'a', rungs: [rung('slow', 40)] }] }], new Map(), 's',
 *   '2026-05-20T15:00:00.000Z').map((c) => c.kind) // → ['rung']
 */
export function weekCandidates(
  work: readonly WorkedPiece[],
  standings: ReadonlyMap<string, FoldedStanding>,
  studentId: string,
  now: string,
  overhead = USUAL_OVERHEAD,
): Candidate[] {
  const out: Candidate[] = [];
  let techniques = 0;
  work.forEach(({ piece, score, sections, ladders }, order) => {
    let fresh = 0;
    for (const p of sections) {
      if (p.section.parentId !== null || !isSection(p.section)) continue;
      const there = standings.get(standingKey(studentId, p.section.id));
      const ladder = ladders.find((l) => l.sectionId === p.section.id);
      const name = `${piece.title}, ${p.section.letter || 'bars'} ${barsText(score, p.from, p.to)}`;
      const state = there && there.level !== null ? dueState(there.fading, there.at, now) : 'fresh';
      const base = { pieceId: piece.id, sectionId: p.section.id };
      const target = targetTempo(piece, score, p.from);
      if (there?.level !== undefined && there.level !== null && state !== 'fresh') {
        const tempo = Math.round(there.tempo ?? target * 0.8);
        out.push({
          ...base,
          key: `check ${p.section.id}`,
          kind: 'check',
          what: `Check ${name}: once from cold`,
          tempo,
          minutes: shortened(estimateMinutes(score, p.from, p.to, Math.max(30, tempo), 1, overhead)),
          days: 1,
          timesADay: 1,
          by: '',
          why: state === 'at-risk' ? 'it may be fading' : 'due for a check',
          weight: state === 'at-risk' ? 90 : 80,
        });
      }
      if (there?.level === 5) continue;
      const done = there?.rungsDone ?? [];
      const isNew = !there || there.level === null || there.level === 0;
      if (isNew) fresh += 1;
      // One new section of a piece a week is enough; further ones wait and are named.
      const late = isNew ? fresh * 12 : 0;
      const open = ladder?.rungs.filter((r) => !done.includes(r.id)).slice(0, RUNGS_A_WEEK) ?? [];
      open.forEach((rung, place) => {
        const { inWeek, once } = RUNGS[rung.kind];
        if (inWeek === 'technique') techniques += 1;
        out.push({
          ...base,
          key: `rung ${rung.id}`,
          kind: inWeek,
          what: `${name}: ${rung.what}`,
          tempo: rung.tempo,
          minutes: shortened(((rung.minutes ?? 4) * overhead) / USUAL_OVERHEAD),
          days: inWeek === 'corner' ? 5 : 4 - place,
          timesADay: once ? 1 : Math.max(1, Math.min(10, rung.times)),
          by: inWeek === 'corner' ? 'midweek' : 'lesson',
          why: isNew && place === 0 ? 'new' : rung.why,
          weight:
            (inWeek === 'technique' ? 70 - techniques : inWeek === 'corner' ? 65 : 60) - order - late - place * 20,
        });
      });
    }
  });
  return out;
}
