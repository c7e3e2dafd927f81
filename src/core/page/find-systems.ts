import { valueAt, type Plane } from './plane';
import type { TracedStaff } from './trace-staves';
import { contrastAt, LAST_LINE, spaceAt, topAt, type Uprights } from './upright-lines';

const POINTS = 24;
/** Of the points between two staves this share may be pale: where words stand in between, and where nothing does. */
const PALE_IN_WORDS = 0.35;
const PALE = 0.15;

const bottomAt = (staff: TracedStaff, x: number): number => topAt(staff, x) + LAST_LINE * spaceAt(staff, x);

/** How much darker a line from one staff to the next is than what lies beside it, where it is palest. */
export function joinedAt(
  plane: Plane,
  upper: TracedStaff,
  lower: TracedStaff,
  x: number,
  { at }: Uprights,
  pale = PALE_IN_WORDS,
): number {
  const slope = at(x);
  const space = spaceAt(upper, x);
  const from = bottomAt(upper, x) + 0.3 * space;
  // `x` is where it leaves the upper staff.
  const to = topAt(lower, x + slope * (topAt(lower, x) - from)) - 0.3 * space;
  const contrasts: number[] = [];
  for (let i = 0; i < POINTS; i += 1) {
    const y = from + ((to - from) * i) / (POINTS - 1);
    const cx = x + slope * (y - from);
    const here = valueAt(plane, cx, y);
    const beside = Math.min(valueAt(plane, cx - 0.6 * space, y), valueAt(plane, cx + 0.6 * space, y));
    contrasts.push(here - beside);
  }
  contrasts.sort((a, b) => a - b);
  return contrasts[Math.floor(POINTS * pale)] ?? 0;
}

/** Two staves belong together where a line joins them at their beginning. */
function isJoined(plane: Plane, upper: TracedStaff, lower: TracedStaff, uprights: Uprights): boolean {
  const contrast = Math.min(contrastAt(upper, upper.left), contrastAt(lower, lower.left));
  const space = spaceAt(upper, upper.left);
  const gap = topAt(lower, lower.left) - bottomAt(upper, upper.left);
  if (gap > 22 * space || gap < 0.5 * space) return false;
  const overlap = Math.min(upper.right, lower.right) - Math.max(upper.left, lower.left);
  if (overlap < 0.5 * Math.min(upper.right - upper.left, lower.right - lower.left)) return false;
  let most = 0;
  for (let x = upper.left - 1.4 * space; x <= upper.left + 1.4 * space; x += 0.5)
    most = Math.max(most, joinedAt(plane, upper, lower, x, uprights, PALE));
  if (most >= 0.45 * contrast) return true;
  // The beginning may be in a shadow: then bar lines that go through are seen.
  let strokes = 0;
  let last = -Infinity;
  for (let x = upper.left; x <= upper.right; x += 1)
    if (joinedAt(plane, upper, lower, x, uprights, PALE) >= 0.7 * contrast) {
      if (x - last > 3 * space) strokes += 1;
      last = x;
    }
  return strokes >= 3;
}

/** Staves that are played at the same time, from the highest to the lowest. */
export function systemsOf(
  plane: Plane,
  staves: readonly TracedStaff[],
  uprights: Uprights,
): readonly (readonly TracedStaff[])[] {
  const systems: TracedStaff[][] = [];
  for (const staff of staves) {
    const system = systems[systems.length - 1];
    const above = system?.[system.length - 1];
    if (system && above && isJoined(plane, above, staff, uprights)) system.push(staff);
    else systems.push([staff]);
  }
  return systems;
}
