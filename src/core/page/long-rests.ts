import { valueAt } from './plane';
import { inStaff, type SystemLines } from './system-lines';
import { spaceAt, topAt } from './upright-lines';

/** From the bar lines so much is left out, in spaces: clefs and signs stand there. */
const MARGIN = 0.8;
/** A rest of several bars is a beam so long at least, in spaces, and of the bar. */
const LONG = { spaces: 3, share: 0.3 } as const;
/** Where the beam lies, in spaces from the first line, and where above and below it there is only paper. */
const BEAM = [1.72, 1.9, 2.1, 2.28] as const;
const PAPER = [0.5, 3.5] as const;
/** Of the ink of a head: as dark as the beam is, and as pale as paper. */
const INK = { beam: 0.62, paper: 0.3 } as const;

/**
 * Whether a bar is a rest of several bars with a number above: a beam along the middle line in each of its staves, and
 * nothing else over it.
 */
export function isLongRest(system: SystemLines, from: number, to: number, headInk: number): boolean {
  return system.staves.every((staff) => {
    const [a, b] = [inStaff(system, staff, from), inStaff(system, staff, to)];
    const space = spaceAt(staff, (a + b) / 2);
    let [run, most] = [0, 0];
    for (let x = a + MARGIN * space; x <= b - MARGIN * space; x += 1) {
      const ink = (at: number): number => valueAt(system.plane, x, topAt(staff, x) + at * spaceAt(staff, x)) / headInk;
      const isBeam = BEAM.every((at) => ink(at) >= INK.beam) && PAPER.every((at) => ink(at) <= INK.paper);
      run = isBeam ? run + 1 : 0;
      most = Math.max(most, run);
    }
    return most >= Math.max(LONG.spaces * space, LONG.share * (b - a));
  });
}
