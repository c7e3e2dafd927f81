// Apart from its schema: who only plays does not load what checks it.
import type { Player } from './player-schema';

export { LINES, type Line } from './lines';
export type { Player } from './player-schema';

/**
 * What a player reads, as one word: equal for two players of the same notes, whatever they play them on.
 *
 * @example playerKey({ parts: ['P1'], line: 'lower', instrument: 'horn' }) // → 'P1:lower'
 */
export const playerKey = (player: Pick<Player, 'parts' | 'line'>): string =>
  `${player.parts.join('+')}${player.line === undefined ? '' : `:${player.line}`}`;
