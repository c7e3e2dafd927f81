import { valueAt, type Plane } from './plane';
import type { TracedStaff } from './traced-staff';
import { contrastAt, LAST_LINE, spaceAt, strokeAt, topAt, type Uprights } from './upright-lines';

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

/** From one staff to the next of a system it is so far, in spaces. */
const BETWEEN = { least: 0.5, most: 22 } as const;
/** Staves of a system lie over one another for so much of the shorter. */
const OVER = 0.5;
/** Of the contrast of staff lines so much has a line at the beginning, and where bar lines go through. */
const JOINED = { beginning: 0.45, stroke: 0.7 } as const;
/** The beginning may be in a shadow: then so many bar lines that go through tell. */
const STROKES = 3;
/** What is beyond all doubt. */
const SURE = 1;

/** Whether a stroke that leaves a staff at a column, or comes to it from above, goes through it, too. */
function isStroke(
  plane: Plane,
  staff: TracedStaff,
  x: number,
  row: number,
  { at }: Uprights,
  contrast: number,
): boolean {
  const space = spaceAt(staff, x);
  const middle = x + at(x) * (topAt(staff, x) + (LAST_LINE / 2) * space - row);
  return [-0.4, -0.2, 0, 0.2, 0.4].some(
    (by) => strokeAt(plane, staff, middle + by * space, at(x), 0) >= JOINED.stroke * contrast,
  );
}

/** How sure it is that two staves belong together: over 0 they do, under 0 they do not, 1 and -1 for certain. */
function joinOf(plane: Plane, upper: TracedStaff, lower: TracedStaff, uprights: Uprights): number {
  const contrast = Math.min(contrastAt(upper, upper.left), contrastAt(lower, lower.left));
  const space = spaceAt(upper, upper.left);
  const gap = topAt(lower, lower.left) - bottomAt(upper, upper.left);
  if (gap > BETWEEN.most * space || gap < BETWEEN.least * space) return -SURE;
  const overlap = Math.min(upper.right, lower.right) - Math.max(upper.left, lower.left);
  if (overlap < OVER * Math.min(upper.right - upper.left, lower.right - lower.left)) return -SURE;
  let most = 0;
  for (let x = upper.left - 1.4 * space; x <= upper.left + 1.4 * space; x += 0.5)
    most = Math.max(most, joinedAt(plane, upper, lower, x, uprights, PALE));
  const begins = (most / contrast - JOINED.beginning) / JOINED.beginning;
  if (begins > 0) return Math.min(SURE, begins);
  let strokes = 0;
  let last = -Infinity;
  for (let x = upper.left; x <= upper.right; x += 1)
    if (
      joinedAt(plane, upper, lower, x, uprights, PALE) >= JOINED.stroke * contrast &&
      isStroke(plane, upper, x, bottomAt(upper, x), uprights, contrast) &&
      isStroke(plane, lower, x, bottomAt(upper, x), uprights, contrast)
    ) {
      if (x - last > 3 * space) strokes += 1;
      last = x;
    }
  return strokes >= STROKES ? SURE / 2 : Math.max(-SURE, begins);
}

/** A page whose systems all have as many staves is believed where it says so much of what its staves say one by one. */
const ALIKE = 0.6;
const MOST_STAVES = 12;

/**
 * Staves that are played at the same time, from the highest to the lowest: those that a line joins; where nearly all
 * tell that so many staves are a system, each is.
 */
export function systemsOf(
  plane: Plane,
  staves: readonly TracedStaff[],
  uprights: Uprights,
): readonly (readonly TracedStaff[])[] {
  const joins = staves.slice(1).map((lower, i) => {
    const upper = staves[i];
    return upper ? joinOf(plane, upper, lower, uprights) : -SURE;
  });
  const said = (isJoined: (pair: number) => boolean): number =>
    joins.reduce((sum, join, pair) => sum + (isJoined(pair) ? join : -join), 0);
  const free = (pair: number): boolean => (joins[pair] ?? -SURE) > 0;
  let isJoined = free;
  let best = ALIKE * said(free);
  for (let each = 1; each <= Math.min(MOST_STAVES, staves.length); each += 1) {
    if (staves.length % each !== 0) continue;
    const alike = (pair: number): boolean => pair % each !== each - 1;
    const worth = said(alike);
    if (worth <= best) continue;
    best = worth;
    isJoined = alike;
  }
  const systems: TracedStaff[][] = [];
  staves.forEach((staff, i) => {
    const system = systems[systems.length - 1];
    if (system && i > 0 && isJoined(i - 1)) system.push(staff);
    else systems.push([staff]);
  });
  return systems;
}
