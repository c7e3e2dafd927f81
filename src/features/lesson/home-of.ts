import { practiceOf } from '@/core/mastery';
import { atHome, type AtHome } from '@/core/plan';
import { dayAfter, dayOf, type Facet, type Section, type Zone } from '@/core/studio';
import { rhythmIsThere } from '@/core/tapping';
import type { LessonModel } from './use-lesson';

/** Days of practice that are looked back on where there was no lesson yet. */
const DAYS_BACK = 7;

/** What was practised of a section and what lies in it since the last lesson; null where nothing was. */
export function homeOf(model: LessonModel, section: Section | null, now: string, zone: Zone): AtHome | null {
  const before = model.lessons.find((l) => l.id !== model.current?.id && !l.missed);
  const since = before ? dayOf(before.at, zone) : dayAfter(dayOf(now, zone), -DAYS_BACK);
  const ids = section
    ? new Set([section.id, ...model.sections.filter((s) => s.parentId === section.id).map((s) => s.id)])
    : null;
  return atHome(
    practiceOf(model.events).filter(
      (l) => l.day >= since && (ids === null || (l.sectionId !== null && ids.has(l.sectionId))),
    ),
  );
}

/** What was done at home speaks for a facet: proposed, with why. */
export function proposedFacets(home: AtHome | null): ReadonlyMap<Facet, string> {
  const tapped = home?.tapped ?? null;
  return tapped && rhythmIsThere(tapped) === true
    ? new Map([['rhythm', `rhythm: tapped at home, ${tapped.right} of ${tapped.of} in time`]])
    : new Map();
}
