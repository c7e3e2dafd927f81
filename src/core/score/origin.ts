import type { Score } from './model';

/**
 * The work that a movement belongs to, with its number; empty where the title says it all.
 *
 * @example workText({ title: 'Rondo', origin: { work: 'Sonatina', workNumber: 'op. 5' } }) // → 'Sonatina, op. 5'
 */
export const workText = ({ title, origin }: Pick<Score, 'title' | 'origin'>): string =>
  [origin.work === title ? '' : origin.work, origin.workNumber].filter((text) => text !== '').join(', ');
