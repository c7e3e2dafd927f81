/**
 * A piece on its way to a score: what typed text or a bar grid says, before it becomes MusicXML. Lengths are exact
 * quarters. A draft is only ever turned into a MusicXML document, so that every piece has one and the same kind of
 * source.
 */
import type { Fraction, Key, Lyric, Meter, Pitch } from '../score';

export interface DraftEvent {
  readonly kind: 'note' | 'rest' | 'hidden-rest';
  /** Several for a chord; empty for a rest and for a note of which only the rhythm is known. */
  readonly pitches: readonly Pitch[];
  /** Sounding length in quarters; 0 for grace notes. */
  readonly duration: Fraction;
  readonly tuplet: {
    readonly actual: number;
    readonly normal: number;
    readonly edge: 'start' | 'stop' | 'none';
  } | null;
  /** Per pitch: tied to the next note. */
  readonly tied: readonly boolean[];
  readonly graces: readonly Pitch[];
  readonly graceSlash: boolean;
  readonly slurStarts: number;
  readonly slurStops: number;
  /** MusicXML names: `staccato`, `accent`, `trill-mark`, `up-bow`, … */
  readonly decorations: readonly string[];
  /** Dynamics, hairpins (`crescendo`, `diminuendo`, `wedge-stop`) and words standing before the note. */
  readonly before: readonly { readonly kind: 'dynamic' | 'wedge' | 'words'; readonly text: string }[];
  readonly chordSymbol: string | null;
  readonly fingers: readonly string[];
  readonly lyrics: readonly Lyric[];
  /** Written against the event before, without a space: under one beam with it where both have flags. */
  readonly joined: boolean;
}

export interface DraftStaff {
  readonly clef: {
    readonly sign: 'G' | 'F' | 'C' | 'percussion';
    readonly line: number;
    readonly octaveChange: number;
  };
}

export interface DraftPart {
  readonly id: string;
  readonly name: string;
  readonly sound: string | null;
  readonly midiProgram: number | null;
  readonly transpose: { readonly diatonic: number; readonly chromatic: number; readonly octaveChange: number } | null;
  readonly staves: readonly DraftStaff[];
}

export interface DraftBar {
  /** Kept as the id of the measure, and of its notes with their place behind it; made from the place when left out. */
  readonly id?: string;
  readonly number: string;
  readonly implicit: boolean;
  /** Length in quarters for bars with no events in some staff. */
  readonly quarters: Fraction;
  readonly meter: Meter | null;
  readonly key: Key | null;
  readonly tempo: DraftTempo | null;
  readonly repeatStart: boolean;
  readonly repeatEnd: number | null;
  readonly endingStart: readonly number[] | null;
  readonly endingStop: readonly number[] | null;
  readonly segno: boolean;
  readonly coda: boolean;
  readonly toCoda: boolean;
  readonly fine: boolean;
  readonly jump: string | null;
  readonly doubleBar: 'light-light' | 'light-heavy' | null;
  readonly lineBreak: boolean;
  readonly rehearsal: string | null;
  /** [part][staff][voice][event] */
  readonly content: readonly (readonly (readonly (readonly DraftEvent[])[])[])[];
}

export interface DraftTempo {
  readonly word: string;
  /** The counted note in quarters and how many a minute; null when only a word is given. */
  readonly unit: Fraction;
  readonly perMinute: number | null;
}

export interface Draft {
  readonly title: string;
  readonly composer: string;
  readonly parts: readonly DraftPart[];
  readonly bars: readonly DraftBar[];
}

/**
 * An event with its length and nothing else about it; callers add what they know.
 *
 * @example plainEvent('rest', { n: 3, d: 2 }).duration // → { n: 3, d: 2 }
 */
export const plainEvent = (
  kind: DraftEvent['kind'],
  duration: Fraction,
  pitches: readonly Pitch[] = [],
  tied = false,
): DraftEvent => ({
  kind,
  pitches,
  duration,
  tuplet: null,
  tied: pitches.map(() => tied),
  graces: [],
  graceSlash: false,
  slurStarts: 0,
  slurStops: 0,
  decorations: [],
  before: [],
  chordSymbol: null,
  fingers: [],
  lyrics: [],
  joined: false,
});
