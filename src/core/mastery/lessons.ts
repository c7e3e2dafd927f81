import {
  daysBetween,
  dayOf,
  millisecondsOf,
  type AssignmentEvent,
  type EventOf,
  type LevelEvent,
  type PracticeEvent,
  type StudioEvent,
  type Zone,
} from '../studio';
import { addTo, correctedLevels, heldEvents } from './fold-events';
import type { Hearings } from './fold-standing';

/** A lesson as it was: what was heard, said and assigned. */
export interface Lesson {
  readonly id: string;
  readonly at: string;
  readonly minutes: number;
  readonly missed: boolean;
  readonly said: string;
  /** In the order it was heard; what was corrected stands as it was corrected. */
  readonly heard: readonly LevelEvent[];
  readonly assignment: AssignmentEvent | null;
}

/** Minutes of a lesson when nothing else is said. */
export const USUAL_LESSON_MINUTES = 30;
/** Hours after its beginning in which a lesson is still the same lesson. */
export const LESSON_HOURS = 3;
const HOUR = 3_600_000;

/** Lesson id → the lesson that it is part of, for beginnings that were joined. */
function partOf(held: readonly StudioEvent[]): (id: string) => string {
  const into = new Map(held.flatMap((e) => (e.kind === 'lesson-joined' ? [[e.lessonId, e.into] as const] : [])));
  return (id) => {
    const seen = new Set<string>();
    let at = id;
    for (let next = into.get(at); next !== undefined && !seen.has(next); next = into.get(at)) {
      seen.add(next);
      at = next;
    }
    return at;
  };
}

/**
 * Lessons of one student, latest first, from all events about that student. What was said last about a lesson counts; a
 * correction stands in for what it corrects; the last assignment of a lesson is the one that counts. Beginnings that
 * were joined are one lesson.
 *
 * @example
 * foldLessons([lesson('2026-05-20'), lesson('2026-05-27')]).map((l) => l.id)
 * // → ['lesson 2026-05-27', 'lesson 2026-05-20']
 */
export function foldLessons(events: readonly StudioEvent[]): Lesson[] {
  const held = heldEvents(events);
  const lessonOf = partOf(held);
  const of = <K extends StudioEvent['kind']>(kind: K) =>
    held.flatMap((e) => (e.kind === kind ? [e as EventOf<K>] : []));
  const inLesson = <E extends { readonly lessonId?: string | null | undefined }>(
    events: readonly E[],
  ): ReadonlyMap<string, readonly E[]> => {
    const by = new Map<string, E[]>();
    for (const e of events) {
      if (e.lessonId === undefined || e.lessonId === null) continue;
      addTo(by, lessonOf(e.lessonId), e);
    }
    return by;
  };
  const heard = inLesson(correctedLevels(of('level')));
  const said = inLesson(of('said'));
  const given = inLesson(of('assignment'));
  return of('lesson')
    .filter((lesson) => lessonOf(lesson.id) === lesson.id)
    .map((lesson): Lesson => ({
      id: lesson.id,
      at: lesson.at,
      minutes: lesson.minutes,
      missed: lesson.missed ?? false,
      said: said.get(lesson.id)?.at(-1)?.text ?? '',
      heard: heard.get(lesson.id) ?? [],
      assignment: given.get(lesson.id)?.at(-1) ?? null,
    }))
    .reverse();
}

/**
 * The lesson that is going on: the latest that was held, while it is not long ago that it began; null where there is
 * none.
 *
 * @example lessonGoingOn([{ at: '2026-05-20T15:00:00.000Z' }], '2026-05-20T18:00:00.000Z') // → null
 */
export function lessonGoingOn<L extends { readonly at: string; readonly missed?: boolean | undefined }>(
  latestFirst: readonly L[],
  now: string,
): L | null {
  const ms = millisecondsOf(now);
  return (
    latestFirst.find((l) => {
      const since = ms - millisecondsOf(l.at);
      return l.missed !== true && since >= 0 && since < LESSON_HOURS * HOUR;
    }) ?? null
  );
}

/**
 * Whether it was at tempo or secure in an earlier lesson, so that today it is heard from cold. What was heard in this
 * lesson, or where no lesson is known, on this day or within the hours of a lesson, is not earlier.
 *
 * @example
 * heldSinceEarlier([['2026-05-20T15:00:00.000Z', 4, null, null]], { lessonId: null,
 *   now: '2026-05-27T15:00:00.000Z', zone: 'UTC' }) // → true
 */
export function heldSinceEarlier(
  hearings: Hearings,
  current: { readonly lessonId: string | null; readonly now: string; readonly zone: Zone },
): boolean {
  return hearings.some(([at, level, , lessonId]) => {
    if (level < 4) return false;
    if (lessonId !== null && current.lessonId !== null) return lessonId !== current.lessonId;
    const apart = millisecondsOf(current.now) - millisecondsOf(at) >= LESSON_HOURS * HOUR;
    return apart && daysBetween(dayOf(at, current.zone), dayOf(current.now, current.zone)) > 0;
  });
}

/**
 * The assignment in force: the latest of a student's.
 *
 * @example currentAssignment([given('2026-05-20', 5), given('2026-05-27', 10)]).id // → 'week 2026-05-27'
 */
export const currentAssignment = (events: readonly StudioEvent[]): AssignmentEvent | null =>
  heldEvents(events)
    .flatMap((e) => (e.kind === 'assignment' ? [e] : []))
    .pop() ?? null;

/**
 * The sections that were to be practised for a lesson: those of the assignment, unless that lesson gave it itself.
 *
 * @example sectionsAskedFor(null, null).size // → 0
 */
export const sectionsAskedFor = (
  assignment: AssignmentEvent | null,
  lesson: Pick<Lesson, 'id'> | null,
): ReadonlySet<string> =>
  new Set(assignment && assignment.lessonId !== lesson?.id ? assignment.items.flatMap((i) => i.sectionId ?? []) : []);

/**
 * What was practised at home, of all that is known of a student.
 *
 * @example practiceOf([lesson('2026-05-20'), practised('2026-05-21', 15)]).map((p) => p.minutes) // → [15]
 */
export const practiceOf = (events: readonly StudioEvent[]): PracticeEvent[] =>
  heldEvents(events).flatMap((e) => (e.kind === 'practice' ? [e] : []));
