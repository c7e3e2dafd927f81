import type { Instrument } from './instrument';
import { altoRecorder } from './alto-recorder';
import { altoRecorderGerman } from './alto-recorder-german';
import { banjo } from './banjo';
import { bass } from './bass';
import { bassGuitar } from './bass-guitar';
import { bassClarinet } from './bass-clarinet';
import { bassoon } from './bassoon';
import { cello } from './cello';
import { clarinet } from './clarinet';
import { cornet } from './cornet';
import { euphonium } from './euphonium';
import { flute } from './flute';
import { guitar } from './guitar';
import { horn } from './horn';
import { mandolin } from './mandolin';
import { oboe } from './oboe';
import { other } from './other';
import { percussion } from './percussion';
import { piccolo } from './piccolo';
import { piano } from './piano';
import { recorder } from './recorder';
import { recorderGerman } from './recorder-german';
import { saxophone } from './saxophone';
import { tenorBanjo } from './tenor-banjo';
import { trombone } from './trombone';
import { trumpet } from './trumpet';
import { tuba } from './tuba';
import { ukulele } from './ukulele';
import { viola } from './viola';
import { violin } from './violin';
import { voice } from './voice';

/** Every instrument by its id. A new one is a file and its line here; the compiler names what else must know it. */
export const INSTRUMENTS = {
  piano,
  violin,
  viola,
  cello,
  bass,
  guitar,
  ukulele,
  banjo,
  'tenor-banjo': tenorBanjo,
  mandolin,
  'bass-guitar': bassGuitar,
  trumpet,
  cornet,
  horn,
  trombone,
  euphonium,
  tuba,
  flute,
  piccolo,
  clarinet,
  'bass-clarinet': bassClarinet,
  saxophone,
  oboe,
  bassoon,
  recorder,
  'recorder-german': recorderGerman,
  'alto-recorder': altoRecorder,
  'alto-recorder-german': altoRecorderGerman,
  voice,
  percussion,
  other,
} as const satisfies Readonly<Record<string, Instrument>>;

export type InstrumentId = keyof typeof INSTRUMENTS;
export const INSTRUMENT_IDS = Object.keys(INSTRUMENTS) as readonly InstrumentId[] as readonly [
  InstrumentId,
  ...InstrumentId[],
];
/**
 * Whether a text is the id of an instrument that we know.
 *
 * @example isInstrumentId('viola') // → true
 */
export const isInstrumentId = (text: string): text is InstrumentId => Object.hasOwn(INSTRUMENTS, text);

/**
 * All that is known of an instrument. `instrumentOf('viola').clefs[0]` is `'alto'`.
 *
 * @example instrumentOf('clarinet').breathes // → true
 */
export const instrumentOf = (id: InstrumentId): Instrument => INSTRUMENTS[id];
