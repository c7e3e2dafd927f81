import { millisecondsOf, type Level } from '../studio';
import { chanceItHolds, type Fading } from './fading';

export interface StartingLevel {
  readonly level: Level;
  readonly why: string;
}

const down = (level: Level, by: number): Level => Math.max(0, level - by) as Level;

/**
 * Where a section may be taken to start that was not heard yet: a copy of one that is known starts a level under it, at
 * most at 3, because its joins and its differences are new. Null when there is nothing to start from.
 *
 * @example startOfCopy({ name: 'A', level: 4 }, 0).level // → 3
 */
export function startOfCopy(
  model: { readonly name: string; readonly level: Level },
  differences: number,
): StartingLevel | null {
  if (model.level < 2) return null;
  const level = Math.min(3, down(model.level, differences > 0 ? 2 : 1)) as Level;
  if (level === 0) return null;
  return {
    level,
    why: `a copy of ${model.name}, which is at ${model.level}${differences > 0 ? `; ${differences} ${differences === 1 ? 'note differs' : 'notes differ'}` : '; its joins are new'}`,
  };
}

/** A piece counts as coming back after this many days without being heard **[from memory]**. */
export const AWAY_AFTER_DAYS = 60;

/**
 * Where a returning section may be taken to start: a level down, two when it has probably gone. Null when it was not
 * away.
 *
 * @example
 * startOfReturn({ level: 4, at: '2026-01-10T15:00:00.000Z' }, null, '2026-05-20T15:00:00.000Z')
 * // → { level: 2, why: '130 days away; it was at 4' }
 */
export function startOfReturn(
  standing: { readonly level: Level; readonly at: string },
  fading: Fading | null,
  now: string,
): StartingLevel | null {
  const days = Math.floor((millisecondsOf(now) - millisecondsOf(standing.at)) / 86_400_000);
  if (days < AWAY_AFTER_DAYS || standing.level === 0) return null;
  const chance = fading ? chanceItHolds(fading, standing.at, now) : 0.5;
  return { level: down(standing.level, chance < 0.6 ? 2 : 1), why: `${days} days away; it was at ${standing.level}` };
}
