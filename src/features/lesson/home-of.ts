import { practiceOf, type Lesson } from '@/core/mastery';
import { atHome, type AtHome } from '@/core/plan';
import {
  dayAfter,
  dayOf,
  type Day,
  type Facet,
  type PracticeEvent,
  type Section,
  type StudioEvent,
  type Zone,
} from '@/core/studio';
import { rhythmIsThere } from '@/core/tapping';

/** Days of practice that are looked back on where there was no lesson yet. */
const DAYS_BACK = 7;

/** What was practised since the lesson before the one going on, the day of it with it. */
export function practisedSince(
  events: readonly StudioEvent[],
  lessons: readonly Lesson[],
  current: Lesson | null,
  today: Day,
  zone: Zone,
): readonly PracticeEvent[] {
  const before = lessons.find((l) => l.id !== current?.id && !l.missed);
  const since = before ? dayOf(before.at, zone) : dayAfter(today, -DAYS_BACK);
  return practiceOf(events).filter((l) => l.day >= since);
}

/** What was practised at home of a section and what lies in it; null where nothing was. */
export function homeOf(
  { practised, sections }: { readonly practised: readonly PracticeEvent[]; readonly sections: readonly Section[] },
  section: Section | null,
): AtHome | null {
  if (section === null) return null;
  const ids = new Set([section.id, ...sections.filter((s) => s.parentId === section.id).map((s) => s.id)]);
  return atHome(practised.filter((l) => l.sectionId !== null && ids.has(l.sectionId)));
}

/** What was done at home speaks for a facet: proposed, with why. */
export function proposedFacets(home: AtHome | null): ReadonlyMap<Facet, string> {
  const tapped = home?.tapped ?? null;
  return tapped && rhythmIsThere(tapped) === true
    ? new Map([['rhythm', `rhythm: tapped at home, ${tapped.right} of ${tapped.of} in time`]])
    : new Map();
}
