/** Stretches of one line that are the same, by kind. */
export { changedRuns } from './changed-runs';
export { exactRuns, type SaidByFigure } from './exact-runs';
export type { Found } from './found';
export { movedRuns } from './moved-runs';
export { findOstinatos } from './ostinatos';
export { prefixMax } from './prefix-max';
export { rhythmRuns } from './rhythm-runs';
export { selection } from './selection';
export { sequences } from './sequences';
