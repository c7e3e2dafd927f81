import {
  fillTray,
  MOST_RISE,
  wayCandidates,
  weekCandidates,
  type Candidate,
  type Tray,
  type WayWeek,
} from '@/core/plan';
import { isSection } from '@/core/way';
import { placeSections } from '@/core/sections';
import type { Score } from '@/core/score';
import { dayAfter, shortDay, type Assigned, type Day } from '@/core/studio';
import type { LessonModel } from './use-lesson';

/** A task of the tray as it is given. */
export const toAssigned = (c: Candidate & { readonly on: readonly number[] }): Assigned => ({
  id: c.key,
  kind: c.kind,
  pieceId: c.pieceId,
  sectionId: c.sectionId,
  what: c.what,
  tempo: c.tempo,
  minutes: c.minutes,
  days: [...c.on],
  timesADay: c.timesADay,
  by: c.by,
  cue: '',
  why: c.why,
});

/** Days from today to the last of the week. */
const LAST_DAY = 6;

interface About {
  readonly now: string;
  readonly today: Day;
  readonly overhead: number;
  /** Minutes of practice in the week, and those of the week before. */
  readonly available: number;
  readonly before: number;
}

/** Exercises of a week: one is enough to begin with **[common practice]**. */
const EXERCISES: Readonly<Record<WayWeek['level'], number>> = { beginner: 1, intermediate: 1, advanced: 2 };

/** Not more exercises than a week bears, and none twice. */
function fewExercises(candidates: readonly Candidate[], level: WayWeek['level']): readonly Candidate[] {
  const exercises = candidates.filter((c) => c.kind === 'technique');
  const kept = exercises.filter((c, i) => exercises.findIndex((d) => d.key === c.key) === i).slice(0, EXERCISES[level]);
  return candidates.filter((c) => c.kind !== 'technique' || kept.includes(c));
}

/**
 * The week as it would be filled: the next stretch of the way of each piece; where a piece has no way yet, the next
 * rungs of its sections. What comes after it is named with its week.
 */
export function suggestedWeek(model: LessonModel, scores: ReadonlyMap<string, Score>, about: About): Tray {
  const { student, pieces, standings } = model;
  const week: WayWeek = {
    studentId: student.id,
    standings,
    now: about.now,
    level: student.level ?? 'intermediate',
    overhead: about.overhead,
    minutesAWeek: Math.max(1, about.available / Math.max(1, pieces.length)),
  };
  const candidates: Candidate[] = [];
  const later: Tray['leftOut'][number][] = [];
  pieces.forEach((piece, order) => {
    const score = scores.get(piece.id);
    if (!score) return;
    const start = student.starts?.[piece.id];
    if (start !== undefined && start > dayAfter(about.today, LAST_DAY)) {
      later.push({ key: `later ${piece.id}`, what: piece.title, minutes: 0, why: `begins on ${shortDay(start)}` });
      return;
    }
    const places = model.wayOf(piece);
    const ladders = model.ladders.filter((l) => l.pieceId === piece.id);
    if (places === null) {
      const sections = placeSections(
        score,
        model.sections.filter((s) => s.pieceId === piece.id && isSection(s)),
      );
      candidates.push(
        ...weekCandidates([{ piece, score, sections, ladders }], standings, student.id, about.now, about.overhead),
      );
      return;
    }
    const of = wayCandidates({ piece, score, places, ladders }, week);
    // The first piece of a student comes first; each further one a little behind.
    candidates.push(...of.candidates.map((c) => ({ ...c, weight: c.weight - order })));
    later.push(
      ...of.later.map((l) => ({
        key: `later ${l.what}`,
        what: l.what,
        minutes: l.minutes,
        why: `in about week ${l.week}`,
      })),
    );
  });
  const tray = fillTray(
    fewExercises(candidates, week.level),
    student.minutesPerDay,
    about.before > 0 ? about.before * MOST_RISE : Infinity,
  );
  return {
    ...tray,
    leftOut: [
      ...tray.leftOut.map((l) => ({ ...l, why: l.why.startsWith('no day') ? `${l.why}, so next week` : l.why })),
      ...later,
    ],
  };
}
