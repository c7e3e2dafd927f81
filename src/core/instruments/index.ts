/**
 * Instruments. In: an id, or what a file or a teacher calls it. Out: everything the tool knows of it. Keys are sounding
 * MIDI keys, transpositions semitones, strings count from the highest.
 */
export {
  guessInstrument,
  instrumentFromWords,
  instrumentName,
  type NamedInstrument,
  type SaidOfPart,
} from './guess-instrument';
export {
  tunedTo,
  withCapo,
  type BowedStrings,
  type Clef,
  type Fingerable,
  type FrettedStrings,
  type Instrument,
  type InstrumentFamily,
  type OpenString,
  type PlayerFamily,
  type WindKeys,
} from './instrument';
export { INSTRUMENT_IDS, INSTRUMENTS, instrumentOf, isInstrumentId, type InstrumentId } from './instruments';
export type { WindChart, WindFingering } from './wind-chart';
