import { EUPHONIUM, HORN, TROMBONE, TRUMPET, TUBA } from './brass';
import type { WindInstrument } from './finger-wind';
import { ALTO_RECORDER, ALTO_RECORDER_GERMAN, BASSOON, CLARINET, FLUTE, OBOE, SAXOPHONE, SOPRANO_RECORDER, SOPRANO_RECORDER_GERMAN } from './woodwinds';

const written = (name: string, chart: WindInstrument['chart']): WindInstrument => ({ name, chart, counts: 'written' });
const sounding = (name: string, chart: WindInstrument['chart']): WindInstrument => ({ name, chart, counts: 'sounding' });

/** Every wind instrument by the name the command line and the pieces use. */
export const WIND_INSTRUMENTS = {
  trumpet: written('trumpet', TRUMPET),
  cornet: written('cornet', TRUMPET),
  horn: written('horn', HORN),
  trombone: sounding('trombone', TROMBONE),
  euphonium: sounding('euphonium', EUPHONIUM),
  tuba: sounding('tuba', TUBA),
  flute: sounding('flute', FLUTE),
  clarinet: written('clarinet', CLARINET),
  'bass-clarinet': written('bass clarinet', CLARINET),
  saxophone: written('saxophone', SAXOPHONE),
  oboe: sounding('oboe', OBOE),
  bassoon: sounding('bassoon', BASSOON),
  recorder: sounding('recorder', SOPRANO_RECORDER),
  'recorder-german': sounding('recorder, German fingering', SOPRANO_RECORDER_GERMAN),
  'alto-recorder': sounding('alto recorder', ALTO_RECORDER),
  'alto-recorder-german': sounding('alto recorder, German fingering', ALTO_RECORDER_GERMAN),
} as const satisfies Readonly<Record<string, WindInstrument>>;
