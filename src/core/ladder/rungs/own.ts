import type { RungRule } from './rung-rule';

/** What a teacher writes; never proposed. */
export const own: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: () => [],
};
