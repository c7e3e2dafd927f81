/**
 * The score: bars, notes and marks as written, plain immutable data that survives workers and storage.
 * Time is in whole ticks from the start of the piece as written; pitches keep their spelling beside the
 * sounding MIDI key.
 */
import type { BarIndex, MidiKey, QuarterBpm, Ticks } from '../units';
import type { Accord, StringTuning } from './tuning';

export type Step = 'C' | 'D' | 'E' | 'F' | 'G' | 'A' | 'B';

/** A written pitch; `alter` in semitones (halves for quarter tones), octave 4 starts at middle C. */
export interface Pitch {
  readonly step: Step;
  readonly alter: number;
  readonly octave: number;
}

export type Mode =
  'major' | 'minor' | 'dorian' | 'phrygian' | 'lydian' | 'mixolydian' | 'aeolian' | 'ionian' | 'locrian' | 'none';

/** `fifths`: sharps positive, flats negative, -7 to 7 for ordinary keys. */
export interface Key {
  readonly fifths: number;
  readonly mode: Mode | null;
}

/** One fraction of a meter; `groups` holds the summands of an additive numerator, `[3, 2]` for 3+2. */
export interface MeterPart {
  readonly groups: readonly number[];
  readonly unit: number;
  /** How a numerator without printed groups is beaten, by its beams, accents or long notes: `[2, 3]` for 5. */
  readonly pulse?: readonly number[];
}

/** A meter; more than one part for 2/4+3/8, none at all for a free bar. */
export interface Meter {
  readonly parts: readonly MeterPart[];
  readonly symbol: 'common' | 'cut' | null;
  /** The page prints none: it is ours, by the lengths of the bars and their beams. */
  readonly ours?: true;
}

/** A jump written at the end of a bar. `to` names the segno for dal segno. */
export interface Jump {
  readonly kind: 'dacapo' | 'dalsegno';
  readonly until: 'fine' | 'coda' | null;
  readonly to: string | null;
  readonly withRepeats: boolean;
}

/** What a bar says about the order of playing. */
export interface BarSigns {
  readonly repeatStart: boolean;
  /** How often the passage sounds in all; null without a repeat sign at the end. */
  readonly repeatEnd: number | null;
  /** Numbers of the ending that covers this bar, and whether it begins or stops here. */
  readonly ending: { readonly numbers: readonly number[]; readonly starts: boolean; readonly stops: boolean } | null;
  readonly segno: string | null;
  readonly coda: string | null;
  readonly toCoda: boolean;
  readonly fine: boolean;
  readonly jump: Jump | null;
  /** A double bar or final bar line closes this bar. */
  readonly doubleBar: 'light-light' | 'light-heavy' | null;
}

export interface Bar {
  readonly index: BarIndex;
  readonly id: string;
  /** As the file has it; need not be a number, need not be unique. */
  readonly number: string;
  /** What it is called: its number where it is counted, else "pick-up", "8b", "2nd ending". */
  readonly name: string;
  readonly onset: Ticks;
  /** As filled by the longest part, not as the meter would have it. */
  readonly length: Ticks;
  readonly meter: Meter;
  readonly key: Key;
  readonly signs: BarSigns;
  /** Starts a new line or page in the print. */
  readonly lineBreak: boolean;
  /**
   * From here to the end of the bar nothing is written in any part, not even a rest: what is played there is not known.
   * Absent where the bar is written to its end.
   */
  readonly blankFrom?: Ticks;
}

export type TieRole = 'start' | 'continue' | 'stop';

/**
 * Why something is printed that is not played as it stands: another's music to come in by, another version above the
 * staff, what is not printed at all, strokes that only say "go on".
 */
export type Aside = 'cue' | 'ossia' | 'hidden' | 'slash';

export interface TimeModification {
  readonly actual: number;
  readonly normal: number;
}

export interface Lyric {
  readonly verse: string;
  readonly text: string;
  readonly syllabic: 'single' | 'begin' | 'middle' | 'end';
}

/** Everything printed at one note besides its pitch and length; kinds carry their MusicXML names. */
export interface NoteMarks {
  readonly fingers: readonly string[];
  readonly strings: readonly number[];
  readonly frets: readonly number[];
  /** Other technical marks: `up-bow`, `down-bow`, `open-string`, `harmonic`, `thumb-position`, … */
  readonly technical: readonly string[];
  /** `staccato`, `accent`, `tenuto`, `breath-mark`, `caesura`, … */
  readonly articulations: readonly string[];
  readonly ornaments: readonly { readonly kind: string; readonly accidentals: readonly string[] }[];
  readonly slurs: readonly { readonly role: 'start' | 'continue' | 'stop'; readonly number: string }[];
  readonly lyrics: readonly Lyric[];
  readonly dynamics: readonly string[];
  readonly fermata: boolean;
  readonly arpeggiate: boolean;
}

interface Event {
  readonly id: string;
  /** Part id. */
  readonly part: string;
  /** 1 is the top staff of the part. */
  readonly staff: number;
  readonly voice: string;
  readonly bar: BarIndex;
  readonly onset: Ticks;
  /** 0 for grace notes. */
  readonly duration: Ticks;
  /** Written value, `quarter`, `eighth`, …; null when the file does not say. */
  readonly value: string | null;
  readonly dots: number;
  readonly timeModification: TimeModification | null;
  /** Place among the `<note>` elements of this part and bar in the source, from 0. */
  readonly sourceIndex: number;
  /** Null for all that is played. */
  readonly aside: Aside | null;
}

export interface Note extends Event {
  readonly kind: 'note';
  /** As written; null for unpitched percussion and for pitches that could not be read. */
  readonly pitch: Pitch | null;
  readonly midi: MidiKey | null;
  readonly grace: { readonly slash: boolean } | null;
  /** Sounds with the note before it in the source. */
  readonly chord: boolean;
  readonly tie: TieRole | null;
  readonly marks: NoteMarks;
  /** Passes of a repeat in which it sounds, from 1; null for all of them. */
  readonly timeOnly: readonly number[] | null;
}

export interface Rest extends Event {
  readonly kind: 'rest';
  readonly wholeBar: boolean;
}

/** What a direction says. */
export type DirectionMark =
  | { readonly kind: 'dynamic'; readonly level: string }
  | { readonly kind: 'wedge'; readonly role: 'crescendo' | 'diminuendo' | 'stop'; readonly number: string }
  | { readonly kind: 'words'; readonly text: string }
  | { readonly kind: 'rehearsal'; readonly text: string }
  | { readonly kind: 'pedal'; readonly role: string }
  | { readonly kind: 'ottava'; readonly role: string; readonly size: number };

/** A mark between or beside the notes; `onset` in ticks from the start of the piece as written. */
export type Direction = {
  readonly part: string;
  readonly staff: number | null;
  readonly bar: BarIndex;
  readonly onset: Ticks;
} & DirectionMark;

export interface TempoMark {
  readonly bar: BarIndex;
  readonly onset: Ticks;
  readonly bpm: QuarterBpm;
  /** The note the printed mark counts and its number, as printed; null when only a sound value is given. */
  readonly printed: { readonly unit: string; readonly dots: number; readonly text: string } | null;
}

/** From here on pairs of short notes are played long and short; `first` equal to `second` is straight again. */
export interface SwingMark {
  readonly onset: Ticks;
  /** Parts of the pair that the first and the second note take. */
  readonly first: number;
  readonly second: number;
  /** The written notes of a pair, so many to a quarter. */
  readonly perQuarter: 2 | 4;
}

/** A lead-sheet symbol. */
export interface ChordSymbol {
  readonly part: string;
  readonly bar: BarIndex;
  readonly onset: Ticks;
  /** As printed. */
  readonly text: string;
  /** Pitch classes that sound, 0 to 11, the root first; null where the symbol does not say. */
  readonly classes: readonly number[] | null;
}

export interface Clef {
  readonly sign: string;
  readonly line: number;
  readonly octaveChange: number;
}

/** Semitones and steps from written to sounding. */
export interface Transposition {
  readonly diatonic: number;
  readonly chromatic: number;
  readonly octaveChange: number;
}

/** What holds in a part from a bar on; only what changed there is present. */
export interface AttributeChange {
  readonly bar: BarIndex;
  readonly onset: Ticks;
  readonly divisions?: string;
  readonly keys?: readonly { readonly staff: number | null; readonly key: Key }[];
  readonly meter?: Meter;
  readonly clefs?: readonly { readonly staff: number; readonly clef: Clef }[];
  readonly transpose?: Transposition;
  readonly tunings?: readonly StringTuning[];
  readonly accords?: readonly Accord[];
}

export interface Part {
  readonly id: string;
  /** On one line. */
  readonly name: string;
  /** Names of the groups around it, the outer first; empty where there are none. */
  readonly groups: readonly string[];
  readonly abbreviation: string;
  readonly instrumentSound: string | null;
  readonly midiProgram: number | null;
  /** Played on the channel of drums: its program says nothing. */
  readonly drumChannel: boolean;
  readonly staves: number;
  readonly transpose: Transposition;
  /** In a score at concert pitch: what the player's own page adds to it. Null where the page is the player's. */
  readonly playerTranspose: Transposition | null;
  readonly attributes: readonly AttributeChange[];
  /** Where the source has no beams at all, engraving computes them. */
  readonly hasBeams: boolean;
}

export interface ScoreWarning {
  readonly code: string;
  /** Printed bar number and index, part id; null when the warning is about the whole file. */
  readonly bar: number | null;
  readonly number: string | null;
  readonly part: string | null;
  readonly message: string;
}

/** What the file says of where the music comes from; empty texts where it says nothing. */
export interface Origin {
  /** The whole that a movement belongs to, with its opus and number as printed. */
  readonly work: string;
  readonly workNumber: string;
  readonly movement: string;
  readonly movementNumber: string;
  readonly lyricist: string;
  readonly arranger: string;
  /** The edition that it was taken from. */
  readonly source: string;
  readonly rights: string;
}

export interface Score {
  /** The movement where there is one, else the work. */
  readonly title: string;
  readonly composer: string;
  readonly origin: Origin;
  readonly ticksPerQuarter: number;
  readonly parts: readonly Part[];
  readonly bars: readonly Bar[];
  /** In order of onset, then pitch (unpitched first), then part, staff, voice. */
  readonly notes: readonly Note[];
  readonly rests: readonly Rest[];
  readonly directions: readonly Direction[];
  readonly tempos: readonly TempoMark[];
  readonly swings: readonly SwingMark[];
  readonly chords: readonly ChordSymbol[];
  readonly warnings: readonly ScoreWarning[];
}
