import type { Score } from '../score';
import { fingerKeyboard, isFinger, TABLE_SPAN, type Finger, type Hand, type HandChoice } from './keyboard';
import { BOWED, fingerBowed, fingerFretted, FRETTED, tunedTo, withCapo } from './strings';
import type { Fingering } from './types';
import { fingerWind, WIND_INSTRUMENTS } from './winds';

export type InstrumentName = 'piano' | keyof typeof BOWED | keyof typeof FRETTED | keyof typeof WIND_INSTRUMENTS;

const names = <T extends object>(table: T): (keyof T)[] => Object.keys(table) as (keyof T)[];

export const INSTRUMENTS: readonly InstrumentName[] = ['piano', ...names(BOWED), ...names(FRETTED), ...names(WIND_INSTRUMENTS)];
export const isInstrument = (name: string): name is InstrumentName => INSTRUMENTS.some((i) => i === name);

/** What the teacher set at a note; a solver takes from it what it knows. */
export interface FingeringLock {
  readonly finger?: string;
  readonly string?: number;
  readonly fret?: number;
  readonly keys?: string;
}

export interface FingeringRequest {
  readonly instrument: InstrumentName;
  readonly hand?: HandChoice;
  /** Widest comfortable span in semitones; an adult's when left out. */
  readonly spanInSemitones?: number;
  readonly locks?: ReadonlyMap<string, FingeringLock>;
  readonly hands?: ReadonlyMap<string, Hand>;
  readonly openOrFourth?: 'open' | 'fourth';
  /** Play it all on one string (1 is the highest). */
  readonly onString?: number;
  readonly capo?: number;
  /** Sounding keys of the open strings, string 1 first. */
  readonly tuning?: readonly number[];
  readonly from?: number;
  readonly to?: number;
}

const isBowed = (name: InstrumentName): name is keyof typeof BOWED => name in BOWED;
const isFretted = (name: InstrumentName): name is keyof typeof FRETTED => name in FRETTED;

/** A proposal by the solver of the instrument's family. An empty score gives no notes and no cost. */
export function fingerScore(score: Score, request: FingeringRequest): Fingering {
  const { instrument } = request;
  const locks = request.locks ?? new Map<string, FingeringLock>();
  const range = { ...(request.from === undefined ? {} : { from: request.from }), ...(request.to === undefined ? {} : { to: request.to }) };
  if (instrument === 'piano') {
    const fingers = new Map<string, Finger>();
    for (const [id, lock] of locks) {
      // A substitution such as 4-1 takes the key with its first finger.
      const finger = Number(/^\d/.exec(lock.finger ?? '')?.[0]);
      if (isFinger(finger)) fingers.set(id, finger);
    }
    return fingerKeyboard(score, {
      hand: request.hand ?? 'auto',
      spanInSemitones: request.spanInSemitones ?? TABLE_SPAN,
      locks: fingers,
      ...(request.hands ? { hands: request.hands } : {}),
      ...range,
    });
  }
  if (isBowed(instrument)) {
    const kept = new Map(
      [...locks].flatMap(([id, l]) =>
        l.finger === undefined ? [] : [[id, { finger: l.finger, ...(l.string === undefined ? {} : { string: l.string }) }] as const],
      ),
    );
    return fingerBowed(score, BOWED[instrument], {
      locks: kept,
      openOrFourth: request.openOrFourth ?? 'open',
      ...(request.onString === undefined ? {} : { onString: request.onString }),
      ...range,
    });
  }
  if (isFretted(instrument)) {
    const tuned = request.tuning ? tunedTo(FRETTED[instrument], request.tuning) : FRETTED[instrument];
    return fingerFretted(score, request.capo ? withCapo(tuned, request.capo) : tuned, { locks, ...range });
  }
  const keys = new Map([...locks].flatMap(([id, l]) => (l.keys === undefined ? [] : [[id, l.keys] as const])));
  return fingerWind(score, WIND_INSTRUMENTS[instrument], { locks: keys, ...range });
}
