/** What one `<measure>` holds, with exact times inside the bar. */
import type { ReadChord } from './chord-symbol';
import type {
  Accord,
  Aside,
  Clef,
  DirectionMark,
  Fraction,
  Jump,
  Key,
  Meter,
  NoteMarks,
  Pitch,
  StringTuning,
  TieRole,
  TimeModification,
  Transposition,
} from '../../score';

export interface RawNote {
  readonly kind: 'note' | 'rest';
  readonly writtenId: string | null;
  readonly sourceIndex: number;
  readonly staff: number;
  readonly voice: string;
  /** Quarters from the start of the bar. */
  readonly onset: Fraction;
  readonly duration: Fraction;
  readonly value: string | null;
  readonly dots: number;
  readonly timeModification: TimeModification | null;
  readonly pitch: Pitch | null;
  readonly midiUnpitched: number | null;
  readonly grace: { readonly slash: boolean } | null;
  readonly aside: Aside | null;
  readonly chord: boolean;
  readonly tie: TieRole | null;
  readonly timeOnly: readonly number[] | null;
  readonly wholeBar: boolean;
  readonly marks: NoteMarks;
  /** Semitones to the sounding pitch. */
  readonly transposed: number;
}

export type RawDirection = { readonly staff: number | null; readonly onset: Fraction } & DirectionMark;

export interface RawTempo {
  readonly onset: Fraction;
  /** Quarters a minute, or the two notes of a metric modulation (old length, new length in quarters). */
  readonly tempo: { readonly bpm: number } | { readonly old: Fraction; readonly fresh: Fraction };
  readonly printed: { readonly unit: string; readonly dots: number; readonly text: string } | null;
}

/** Pairs of short notes long and short from here on. */
export interface RawSwing {
  readonly onset: Fraction;
  readonly first: number;
  readonly second: number;
  readonly perQuarter: 2 | 4;
}

export interface RawAttributes {
  readonly onset: Fraction;
  readonly divisions?: string;
  readonly keys?: readonly { readonly staff: number | null; readonly key: Key }[];
  readonly meter?: Meter;
  readonly clefs?: readonly { readonly staff: number; readonly clef: Clef }[];
  readonly transpose?: Transposition;
  readonly playerTranspose?: Transposition;
  readonly tunings?: readonly StringTuning[];
  readonly accords?: readonly Accord[];
}

export interface RawSigns {
  repeatStart: boolean;
  repeatEnd: number | null;
  endingStart: readonly number[] | null;
  endingStop: boolean;
  segno: string | null;
  /** A coda sign whose sound says it is the coda itself. */
  coda: string | null;
  /** A coda sign that does not say whether it leads or is the goal. */
  codaGlyph: boolean;
  toCoda: boolean;
  fine: boolean;
  jump: Jump | null;
  doubleBar: 'light-light' | 'light-heavy' | null;
}

/** Notes under one beam: where they begin and how long they last together. */
export interface BeamedGroup {
  readonly from: Fraction;
  readonly length: Fraction;
}

export interface RawMeasure {
  readonly events: readonly RawNote[];
  readonly directions: readonly RawDirection[];
  readonly tempos: readonly RawTempo[];
  readonly swings: readonly RawSwing[];
  readonly chords: readonly ({ readonly onset: Fraction } & ReadChord)[];
  readonly attributes: readonly RawAttributes[];
  readonly signs: RawSigns;
  /** How far the fullest voice reaches, in quarters. */
  readonly length: Fraction;
  readonly lineBreak: boolean;
  readonly hasBeams: boolean;
  /** Groups of notes under one beam, in quarters from the start of the bar. */
  readonly beamed: readonly BeamedGroup[];
  /** A bar-repeat sign begins here, covering so many bars at a time, or ends before this bar. */
  readonly barRepeat: { readonly role: 'start'; readonly size: number } | { readonly role: 'stop' } | null;
}
