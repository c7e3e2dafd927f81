import type { StoredWay } from '../studio';

type Step = NonNullable<StoredWay['steps']>[number];

/** Puts what is not there yet behind what it follows in its own list; at the front where it follows nothing. */
function insertedAfter(list: readonly Step[], more: readonly Step[], wanted: (step: Step) => boolean): readonly Step[] {
  const out = [...list];
  more.forEach((step, i) => {
    if (!wanted(step) || out.some((s) => s.sectionId === step.sectionId)) return;
    const before = more
      .slice(0, i)
      .reverse()
      .find((b) => out.some((s) => s.sectionId === b.sectionId));
    const at = before ? out.findIndex((s) => s.sectionId === before.sectionId) + 1 : 0;
    out.splice(at, 0, step);
  });
  return out;
}

/**
 * A way proposed anew, merged with the one there is: what the teacher took away stays away, the teacher's own places
 * stay where they followed, the teacher's order stays where it was dragged. What is proposed no more goes, unless it is
 * the teacher's.
 *
 * @example
 * mergeWay({ steps: [{ sectionId: 'x', why: '' }], own: false, removed: ['b'] },
 *   [{ sectionId: 'a', why: '' }, { sectionId: 'b', why: '' }], (id) => id === 'x').map((s) => s.sectionId)
 * // → ['x', 'a']
 */
export function mergeWay(
  stored: Pick<StoredWay, 'steps' | 'own' | 'removed'> | null,
  proposed: readonly Step[],
  isOwn: (sectionId: string) => boolean,
): readonly Step[] {
  const removed = new Set(stored?.removed ?? []);
  const fresh = proposed.filter((s) => !removed.has(s.sectionId));
  const mine = stored?.steps ?? [];
  const proposedIds = new Set(fresh.map((s) => s.sectionId));
  if (!stored?.own) return insertedAfter(fresh, mine, (s) => isOwn(s.sectionId));
  const kept = mine.filter((s) => proposedIds.has(s.sectionId) || isOwn(s.sectionId));
  return insertedAfter(kept, fresh, () => true);
}
