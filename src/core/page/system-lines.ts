import type { Plane } from './plane';
import type { TracedStaff } from './traced-staff';
import { LAST_LINE, spaceAt, topAt, type Uprights } from './upright-lines';

/** A system as it is worked on: its staves, and how upright lines go. */
export interface SystemLines {
  readonly plane: Plane;
  readonly staves: readonly TracedStaff[];
  readonly uprights: Uprights;
  /** How much darker strokes through a staff are than the lines of the staff, both against what lies beside them. */
  readonly ratio: number;
}

/** The row in the middle of a system, from which columns are counted. */
export function middleOf({ staves }: Pick<SystemLines, 'staves'>, x: number): number {
  const [first] = staves;
  const last = staves[staves.length - 1];
  return first && last ? (topAt(first, x) + topAt(last, x) + LAST_LINE * spaceAt(last, x)) / 2 : 0;
}

/** Where the upright line that crosses the middle of a system at a column crosses the middle of one of its staves. */
export function inStaff(system: SystemLines, staff: TracedStaff, x: number): number {
  const slope = system.uprights.at(x);
  return x + slope * (topAt(staff, x) + 2 * spaceAt(staff, x) - middleOf(system, x));
}
