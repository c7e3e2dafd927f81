import type { Score } from '../score';
import { isTablature, tuningOf } from './tablature';
import { tablature } from './played';
import type { Player } from './player';

/** How the strings of a player are tuned. */
export interface PlayersStrings {
  /** Sounding keys of the open strings without a capo, string 1 first. */
  readonly tuning?: readonly number[];
  readonly capo?: number;
}

/**
 * The tuning and the capo that the tablature of a player says; nothing where there is none.
 *
 * @example stringsOf(scoreOf('C D E F|'), { parts: ['P1'] }) // → {}
 */
export function stringsOf(score: Score, player: Player): PlayersStrings {
  const { beside } = tablature(score);
  const mine = new Set(player.parts);
  const partOf = (key: string): string => key.slice(0, key.lastIndexOf(' '));
  for (const part of score.parts)
    for (let staff = 1; staff <= part.staves; staff += 1) {
      const notation = beside.get(`${part.id} ${staff}`);
      if (!isTablature(part, staff) || !(mine.has(part.id) || (notation !== undefined && mine.has(partOf(notation)))))
        continue;
      const tuning = tuningOf(part, staff);
      if (tuning) return { tuning: tuning.keys, ...(tuning.capo > 0 ? { capo: tuning.capo } : {}) };
    }
  return {};
}
