/** Where a note can be stopped on a bowed instrument: string, position, finger. */
import type { BowedStrings } from '../../instruments';
import type { Note } from '../../score';
import { withoutRefused, type Refused } from '../refused';
import { aboveString } from './columns';

export interface BowedRequest {
  /** Note id → finger (0 for open), string, position, as set. */
  readonly locks: ReadonlyMap<
    string,
    { readonly finger?: string; readonly string?: number; readonly position?: number }
  >;
  /** Note id → fingers the teacher does not want. */
  readonly refused?: Refused;
  /** Where both serve, the open string or the fourth finger. */
  readonly openOrFourth: 'open' | 'fourth';
  /** Play it all on this string, as an exercise; 1 is the highest. */
  readonly onString?: number;
  readonly from?: number;
  readonly to?: number;
  readonly margins: boolean;
}

/** Where one note is stopped. */
export interface Stop {
  readonly note: Note;
  /** Index of the string, 0 the highest. */
  readonly string: number;
  readonly finger: 0 | 1 | 2 | 3 | 4;
  /** Number of the position, 0 for half; null for an open string, which leaves the hand where it is. */
  readonly position: number | null;
  /** Semitones of the first finger above the open string, for measuring shifts. */
  readonly base: number | null;
  /** Cello: whether the hand is open by a semitone between the first finger and the others. */
  readonly hand: HandShape;
  /** Cello: the hand lies a semitone above the place that gives the position its number. */
  readonly raised: boolean;
  /** This finger is reached by the extension. */
  readonly extended: boolean;
}

/** Closed, four fingers lie over four semitones; extended, the first lies a whole tone from the second. */
export type HandShape = 'closed' | 'extended';

/** Semitones of the degrees above an open string for the natural place of the first finger in each position. */
const NATURAL = [0, 2, 4, 5, 7, 9, 11, 12, 14, 16, 17, 19, 21];
const HIGHEST_POSITION = 8;

/** Violin and viola: a letter a finger; high and low fingers are the same finger a semitone off. */
function diatonicStops(note: Note, string: number, semitones: number, steps: number): Stop[] {
  const out: Stop[] = [];
  for (let position = 0; position <= HIGHEST_POSITION; position += 1) {
    const finger = steps - position + 1;
    if (finger < 1 || finger > 4) continue;
    const natural = NATURAL[position] ?? 0;
    const base = position === 0 ? 1 : natural;
    // Reach above the first finger: 0, 2, 3 or 4, 5; a semitone off is a low or high finger, more is no longer that
    // position.
    const reach = semitones - base;
    const usual = [0, 2, 4, 5][finger - 1] ?? 0;
    const off = reach - usual;
    if (off < -2 || off > 1) continue;
    const extended = (finger === 4 && off > 0) || (finger === 1 && off < -1);
    if (finger === 1 && off > 0) continue;
    out.push({
      note,
      string,
      finger: finger as 1 | 2 | 3 | 4,
      position,
      base,
      hand: 'closed',
      raised: false,
      extended,
    });
  }
  return out;
}

/** Cello positions by the semitones of the first finger above the open string. */
const CELLO_POSITIONS: Readonly<Record<number, number>> = {
  1: 0,
  2: 1,
  3: 2,
  4: 2,
  5: 3,
  6: 3,
  7: 4,
  8: 5,
  9: 5,
  10: 6,
  11: 7,
};
const RAISED = new Set([4, 6, 9]);
/**
 * Double bass, Simandl's "New Method for the Double Bass" (1881): half, first, second, second and a half, third … in
 * semitones.
 */
const BASS_POSITIONS: Readonly<Record<number, number>> = {
  1: 0,
  2: 1,
  3: 2,
  4: 2.5,
  5: 3,
  6: 3.5,
  7: 4,
  8: 5,
  9: 5.5,
  10: 6,
  11: 6.5,
  12: 7,
};

type FramedFinger = 1 | 2 | 3 | 4;

/** Semitones above the first finger. Cello: any method, e.g. the tables of Dotzauer’s school [from memory]. */
const CLOSED: readonly (readonly [FramedFinger, number])[] = [
  [1, 0],
  [2, 1],
  [3, 2],
  [4, 3],
];
const EXTENDED: readonly (readonly [FramedFinger, number])[] = [
  [1, 0],
  [2, 2],
  [3, 3],
  [4, 4],
];
const SIMANDL: readonly (readonly [FramedFinger, number])[] = [
  [1, 0],
  [2, 1],
  [4, 2],
];

/** Cello and double bass: a hand is a frame of semitones. */
function framedStops(note: Note, string: number, semitones: number, frame: 'chromatic' | 'simandl'): Stop[] {
  const positions = frame === 'simandl' ? BASS_POSITIONS : CELLO_POSITIONS;
  const inHand = (fingers: readonly (readonly [FramedFinger, number])[], hand: HandShape): Stop[] =>
    fingers.flatMap(([finger, above]): Stop[] => {
      const base = semitones - above;
      // The first finger a semitone above the nut with an open hand reaches back from first position.
      const position = base === 1 && hand === 'extended' ? 1 : positions[base];
      return position === undefined
        ? []
        : [
            {
              note,
              string,
              finger,
              position,
              base,
              hand,
              raised: frame === 'chromatic' && RAISED.has(base),
              extended: hand === 'extended' && (base === 1 ? finger === 1 : finger > 1),
            },
          ];
    });
  return frame === 'simandl'
    ? inHand(SIMANDL, 'closed')
    : [...inHand(CLOSED, 'closed'), ...inHand(EXTENDED, 'extended')];
}

/** Where a note can be stopped: all places, or those that the teacher's finger leaves. */
export function stopsOf(note: Note, instrument: BowedStrings, request: BowedRequest): readonly Stop[] {
  const lock = request.locks.get(note.id);
  const refused = request.refused?.get(note.id);
  const all = instrument.strings.flatMap((open, string): Stop[] => {
    if (request.onString !== undefined && string !== request.onString - 1) return [];
    const { semitones, steps } = aboveString(note, open);
    if (semitones < 0 || semitones > 21) return [];
    if (semitones === 0)
      return [{ note, string, finger: 0, position: null, base: null, hand: 'closed', raised: false, extended: false }];
    return instrument.frame === 'diatonic'
      ? diatonicStops(note, string, semitones, steps)
      : framedStops(note, string, semitones, instrument.frame);
  });
  // An open string is also a stopped note of the string below: there it comes from the string below's own stops.
  const kept = lock
    ? all.filter(
        (s) =>
          (lock.finger === undefined || String(s.finger) === lock.finger) &&
          (lock.string === undefined || s.string === lock.string - 1) &&
          (lock.position === undefined || s.position === lock.position),
      )
    : refused
      ? withoutRefused(all, (s) => refused.includes(String(s.finger)))
      : all;
  return kept.length > 0
    ? kept
    : lock?.finger !== undefined
      ? all.slice(0, 1).map((s) => ({ ...s, finger: (Number(lock.finger) || 0) as Stop['finger'] }))
      : all;
}
