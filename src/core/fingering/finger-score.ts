import {
  instrumentOf,
  tunedTo,
  withCapo,
  type BowedStrings,
  type Fingerable,
  type FrettedStrings,
  type InstrumentId,
} from '../instruments';
import type { Score } from '../score';
import { fingerKeyboard, isFinger, TABLE_SPAN, type Finger, type Hand, type HandChoice } from './keyboard';
import { fingerBowed, fingerFretted } from './strings';
import type { Fingering } from './types';
import { printedFingers, type FingeringLock } from './printed';
import type { Refused } from './refused';
import { fingerWind } from './winds';

export interface FingeringRequest {
  readonly instrument: InstrumentId;
  readonly hand?: HandChoice;
  /** Widest comfortable span in semitones; an adult's when left out. */
  readonly spanInSemitones?: number;
  readonly locks?: ReadonlyMap<string, FingeringLock>;
  /** Not proposed again, as long as another answer is left. */
  readonly refused?: Refused;
  readonly hands?: ReadonlyMap<string, Hand>;
  readonly openOrFourth?: 'open' | 'fourth';
  /** Play it all on one string (1 is the highest). */
  readonly onString?: number;
  readonly capo?: number;
  /** Says of each note how far the next best answer is behind; takes twice the time. */
  readonly margins?: boolean;
  /** Sounding keys of the open strings, string 1 first. */
  readonly tuning?: readonly number[];
  readonly from?: number;
  readonly to?: number;
}

type Locks = ReadonlyMap<string, FingeringLock>;
interface Range {
  readonly refused?: Refused;
  readonly from?: number;
  readonly to?: number;
  readonly margins: boolean;
}

/** What an instrument without fingers of its own gets. */
const NOTHING_TO_FINGER: Fingering = { notes: [], cost: 0, optimal: true, warnings: [] };

function forKeyboard(score: Score, request: FingeringRequest, locks: Locks, range: Range): Fingering {
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

function forBowed(
  score: Score,
  strings: BowedStrings,
  request: FingeringRequest,
  locks: Locks,
  range: Range,
): Fingering {
  const kept = new Map(
    [...locks].flatMap(([id, l]) =>
      l.finger === undefined && l.string === undefined && l.position === undefined
        ? []
        : [
            [
              id,
              {
                ...(l.finger === undefined ? {} : { finger: l.finger }),
                ...(l.string === undefined ? {} : { string: l.string }),
                ...(l.position === undefined ? {} : { position: l.position }),
              },
            ] as const,
          ],
    ),
  );
  return fingerBowed(score, strings, {
    locks: kept,
    openOrFourth: request.openOrFourth ?? 'open',
    ...(request.onString === undefined ? {} : { onString: request.onString }),
    ...range,
  });
}

function forFretted(
  score: Score,
  strings: FrettedStrings,
  request: FingeringRequest,
  locks: Locks,
  range: Range,
): Fingering {
  const tuned = request.tuning ? tunedTo(strings, request.tuning) : strings;
  return fingerFretted(score, request.capo ? withCapo(tuned, request.capo) : tuned, { locks, ...range });
}

function solved(score: Score, fingers: Fingerable, request: FingeringRequest, locks: Locks, range: Range): Fingering {
  switch (fingers.kind) {
    case 'keyboard':
      return forKeyboard(score, request, locks, range);
    case 'bowed':
      return forBowed(score, fingers, request, locks, range);
    case 'fretted':
      return forFretted(score, fingers, request, locks, range);
    case 'wind':
      return fingerWind(score, fingers, {
        locks: new Map([...locks].flatMap(([id, l]) => (l.keys === undefined ? [] : [[id, l.keys] as const]))),
        ...range,
      });
  }
}

/** What of it stands on the page. */
const printedWhy = (lock: FingeringLock | undefined): string =>
  lock?.finger !== undefined || lock?.keys !== undefined
    ? 'printed'
    : lock?.position !== undefined
      ? 'the position is printed'
      : lock?.fret !== undefined
        ? 'string and fret are printed'
        : 'the string is printed';

/** What stands on the page is said to stand there; what the teacher set is theirs. */
const saidWhose = (fingering: Fingering, printed: Locks, own: Locks): Fingering => ({
  ...fingering,
  notes: fingering.notes.map((n) =>
    printed.has(n.noteId) && !own.has(n.noteId) ? { ...n, printed: true, why: printedWhy(printed.get(n.noteId)) } : n,
  ),
});

/**
 * A proposal by the solver of the instrument, around what is printed and what the teacher set, which wins. The score is
 * a player's own (`playedBy`). An empty score, and an instrument with nothing to finger, give no notes and no cost.
 *
 * @example fingerScore(score, { instrument: 'piano', to: 0 }).notes.map((n) => n.finger) // → ['1', '2', '3', '1']
 */
export function fingerScore(score: Score, request: FingeringRequest): Fingering {
  const { fingers } = instrumentOf(request.instrument);
  const range: Range = {
    margins: request.margins ?? false,
    ...(request.refused === undefined ? {} : { refused: request.refused }),
    ...(request.from === undefined ? {} : { from: request.from }),
    ...(request.to === undefined ? {} : { to: request.to }),
  };
  if (fingers === null) return NOTHING_TO_FINGER;
  const printed = printedFingers(score, fingers);
  const own: Locks = request.locks ?? new Map<string, FingeringLock>();
  return saidWhose(solved(score, fingers, request, new Map([...printed, ...own]), range), printed, own);
}
