import { dayAfter, dayOf, teachingFor, timeOn, type StudioEvent, type Zone } from '@/core/studio';
import { lessonRecords, type DemoLesson } from './demo-lesson';
import type { DemoStudent } from './demo-students';
import { practiceOn, weekGiven } from './demo-week';
import { workOf } from './demo-work';
import type { PlayedPiece } from './played-piece';

/** Lessons after which a secure section is left to rest. */
const RESTS_AFTER = 2;
/** Sections heard in a lesson at most. */
const HEARD_AT_ONCE = 4;
const LESSON_HOUR = 15;
const PRACTICE_HOUR = 17;

/** Months of lessons and practice of one student, oldest first; the same for the same day and chance. */
export function historyOf(
  student: DemoStudent,
  pieces: ReadonlyMap<string, PlayedPiece>,
  { now, zone }: { readonly now: string; readonly zone: Zone },
  chance: () => number,
): StudioEvent[] {
  const events: StudioEvent[] = [];
  const today = dayOf(now, zone);
  const at = (daysAgo: number, hour: number, minute: number): string =>
    timeOn(dayAfter(today, -daysAgo), `${hour + Math.floor(minute / 60)}:${minute % 60}`, zone);
  const work = workOf(student, pieces);
  const teaching = teachingFor(student.teaching);
  for (let week = Math.max(...student.pieces.map(([, ago]) => ago)); week >= 0; week -= 1) {
    const daysAgo = week * 7 + student.lastLesson;
    // A missed lesson now and then.
    if (week > 0 && chance() < 0.07) continue;
    const heard = work.filter((w) => w.begun >= week && w.secureFor <= RESTS_AFTER).slice(0, HEARD_AT_ONCE);
    if (heard.length === 0) continue;
    const lesson: DemoLesson = {
      id: `${student.id}-l${week}`,
      student,
      teaching,
      chance,
      week,
      at: (minute) => at(daysAgo, LESSON_HOUR, minute),
    };
    events.push(...lessonRecords(lesson, heard));
    const given = weekGiven(lesson, heard);
    events.push(given);
    // The days until the next lesson, as far as they have come.
    for (let ahead = 1; ahead <= Math.min(6, daysAgo); ahead += 1) {
      const ago = daysAgo - ahead;
      const when = { day: dayAfter(today, -ago), ahead, at: (minute: number) => at(ago, PRACTICE_HOUR, minute) };
      events.push(...practiceOn(lesson, given.items, when));
    }
  }
  return events;
}
