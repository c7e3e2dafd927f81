import type { Level } from '../studio';

/**
 * Whether a number is one of the levels, 0 to 5.
 *
 * @example isLevel(6) // → false
 */
export const isLevel = (n: number): n is Level => Number.isInteger(n) && n >= 0 && n <= 5;

/** Names of the levels, 0 to 5. */
export const LEVEL_NAMES = ['Ground', 'Found', 'Steady', 'Joined', 'At tempo', 'Secure'] as const;
/** What is heard at each level. */
export const LEVEL_HEARD = [
  'not begun',
  'finds the place and gets through with help or stops',
  'alone, slow, right notes, fingers and count',
  'hands or parts together, in time, joined to its neighbours',
  'target tempo with articulation and dynamics',
  'from cold, from any starting point, under pressure',
] as const;
