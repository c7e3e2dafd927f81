/** Winds and brass. In: a score, an instrument with its chart, locks. Out: keys, valves or slide position a note, with the alternates. */
export type { WindChart, WindFingering } from './chart';
export { fingerWind, type WindInstrument, type WindRequest } from './finger-wind';
export { WIND_INSTRUMENTS } from './instruments';
