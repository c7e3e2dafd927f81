/**
 * Winds and brass. In: a score, an instrument with its chart, locks. Out: keys, valves or slide position a note, with
 * the alternates.
 */
export { fingerWind, type WindRequest } from './finger-wind';
