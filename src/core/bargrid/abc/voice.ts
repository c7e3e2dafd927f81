import { ZERO, type Fraction, type Key, type Meter, type Pitch } from '../../score';
import type { DraftEvent, DraftTempo } from '../draft';

export type GrowingEvent = { -readonly [K in keyof DraftEvent]: DraftEvent[K] };

export interface AbcBar {
  events: GrowingEvent[];
  length: Fraction;
  meter: Meter | null;
  key: Key | null;
  tempo: DraftTempo | null;
  repeatStart: boolean;
  repeatEnd: number | null;
  endingStart: number[] | null;
  doubleBar: 'light-light' | 'light-heavy' | null;
  segno: boolean;
  coda: boolean;
  toCoda: boolean;
  fine: boolean;
  jump: string | null;
  lineBreak: boolean;
  rehearsal: string | null;
}

export interface AbcVoice {
  readonly bars: AbcBar[];
  key: Key;
  meter: Meter;
  unitLength: Fraction;
  octaveShift: number;
  /** Accidentals in force in the bar, by step and octave. */
  accidentals: Map<string, number>;
  /** Notes tied on from the event before, by step and octave, with their accidentals. */
  tiedOver: Map<string, number>;
  /** Accidentals that the key names one by one, by step. */
  keySigns: ReadonlyMap<string, number>;
  tuplet: { actual: number; normal: number; left: number; started: boolean } | null;
  broken: number;
  pending: Pending;
  /** No space since the last event of the bar. */
  joined: boolean;
  /** Where the latest music line began, for the words under it. */
  lineStart: { bar: number; event: number };
  verse: number;
  overlays: number;
}

interface Pending {
  decorations: string[];
  before: { kind: 'dynamic' | 'wedge' | 'words'; text: string }[];
  chordSymbol: string | null;
  graces: Pitch[];
  graceSlash: boolean;
  slurStarts: number;
  fingers: string[];
}

/** What waits for the next note. */
export const nothingPending = (): Pending => ({
  decorations: [],
  before: [],
  chordSymbol: null,
  graces: [],
  graceSlash: false,
  slurStarts: 0,
  fingers: [],
});

export const emptyBar = (): AbcBar => ({
  events: [],
  length: ZERO,
  meter: null,
  key: null,
  tempo: null,
  repeatStart: false,
  repeatEnd: null,
  endingStart: null,
  doubleBar: null,
  segno: false,
  coda: false,
  toCoda: false,
  fine: false,
  jump: null,
  lineBreak: false,
  rehearsal: null,
});

export function startVoice(
  key: Key,
  meter: Meter,
  unitLength: Fraction,
  octaveShift: number,
  keySigns: ReadonlyMap<string, number> = new Map(),
): AbcVoice {
  return {
    bars: [emptyBar()],
    key,
    meter,
    unitLength,
    octaveShift,
    accidentals: new Map(),
    tiedOver: new Map(),
    keySigns,
    tuplet: null,
    broken: 0,
    pending: nothingPending(),
    joined: false,
    lineStart: { bar: 0, event: 0 },
    verse: 1,
    overlays: 0,
  };
}
