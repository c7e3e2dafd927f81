import type { Note } from '../score';

/**
 * How much of its written length a note sounds, by its sign **[common practice: half for staccato, less for the wedge,
 * all for tenuto and under a slur]**; the rest is lifted a little.
 */
const HELD: Readonly<Record<string, number>> = {
  staccatissimo: 0.3,
  staccato: 0.5,
  spiccato: 0.4,
  'detached-legato': 0.75,
  tenuto: 1,
};
const PLAIN = 0.92;
/** No note is shorter than this, in seconds: it would be a knock. */
const LEAST = 0.06;

/**
 * Seconds that a note sounds where its written length takes `whole` seconds.
 *
 * @example soundingLength(score.notes[0], 0.5) // → 0.46
 */
export function soundingLength({ marks, tie }: Note, whole: number): number {
  const signs = marks.articulations.flatMap((sign) => HELD[sign] ?? []);
  const isBound = tie !== null || marks.slurs.some((slur) => slur.role !== 'stop');
  const share = signs.length > 0 ? Math.min(...signs) : isBound ? 1 : PLAIN;
  return Math.min(whole, Math.max(LEAST, whole * share));
}
