import { bringNewBars, isBehind, kindOf, NEW_CHUNKS_A_WEEK, type WalkedPlace } from '../way';
import { levelOfPlaces, PLACES_AHEAD, type WayWeek, type WayWork } from './way-work';

export const isCopyOfChunk = ({ section }: WalkedPlace): boolean =>
  section.likeId !== null && kindOf(section) === 'chunk';

/** A place that is no task by itself: a join where there is one already, a copy right behind what it is like. */
const standsWithOthers = (place: WalkedPlace, taken: readonly WalkedPlace[]): boolean =>
  kindOf(place.section) === 'join'
    ? taken.some((p) => kindOf(p.section) === 'join')
    : isCopyOfChunk(place) && taken.some((p) => kindOf(p.section) === 'chunk');

/** The next places of a way for one week: not more new chunks than the level bears. */
export function ahead(
  work: WayWork,
  week: WayWeek,
): { readonly taken: readonly WalkedPlace[]; readonly later: readonly WalkedPlace[] } {
  const levelAt = levelOfPlaces(week);
  const brings = bringNewBars(
    work.places.map((p) => ({
      kind: kindOf(p.section),
      from: p.from,
      to: p.to,
      hand: p.section.hand,
      isCopy: p.section.likeId !== null,
    })),
  );
  const fresh = new Set(work.places.filter((_, i) => brings[i]));
  const open = work.places.filter((p) => !isBehind(p, levelAt));
  let begunNow = 0;
  let tasks = 0;
  const taken: WalkedPlace[] = [];
  for (const place of open.slice(0, PLACES_AHEAD)) {
    const begun = (levelAt(place.section.id) ?? 0) > 0;
    if (!standsWithOthers(place, taken) && (tasks += 1) > week.tasks) break;
    if (fresh.has(place) && !begun && (begunNow += 1) > NEW_CHUNKS_A_WEEK[week.level]) break;
    taken.push(place);
  }
  return { taken, later: open.slice(taken.length) };
}
