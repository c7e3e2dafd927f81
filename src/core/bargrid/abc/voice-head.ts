import { guessInstrument, instrumentOf } from '../../instruments';
import type { DraftPart, DraftStaff } from '../draft';

/** What the fields say of a voice. */
export interface VoiceHead {
  readonly id: string;
  name: string;
  clef: DraftStaff['clef'];
  octaveShift: number;
  /** Semitones from what is written to what sounds; null where nobody says it. */
  transpose: number | null;
  /** General MIDI program from 0. */
  program: number | null;
}

const CLEFS: Readonly<Record<string, DraftStaff['clef']>> = {
  treble: { sign: 'G', line: 2, octaveChange: 0 },
  bass: { sign: 'F', line: 4, octaveChange: 0 },
  bass3: { sign: 'F', line: 3, octaveChange: 0 },
  alto: { sign: 'C', line: 3, octaveChange: 0 },
  tenor: { sign: 'C', line: 4, octaveChange: 0 },
  soprano: { sign: 'C', line: 1, octaveChange: 0 },
  perc: { sign: 'percussion', line: 2, octaveChange: 0 },
  percussion: { sign: 'percussion', line: 2, octaveChange: 0 },
  'treble-8': { sign: 'G', line: 2, octaveChange: -1 },
  'treble+8': { sign: 'G', line: 2, octaveChange: 1 },
  'bass-8': { sign: 'F', line: 4, octaveChange: -1 },
  'bass+8': { sign: 'F', line: 4, octaveChange: 1 },
  'alto-8': { sign: 'C', line: 3, octaveChange: -1 },
  'tenor-8': { sign: 'C', line: 4, octaveChange: -1 },
};

const TREBLE: DraftStaff['clef'] = { sign: 'G', line: 2, octaveChange: 0 };

/** A clef by its name in ABC; the treble clef for any other. */
export const clefNamed = (name: string): DraftStaff['clef'] => CLEFS[name] ?? TREBLE;

export const freshHead = (id: string): VoiceHead => ({
  id,
  name: '',
  clef: TREBLE,
  octaveShift: 0,
  transpose: null,
  program: null,
});

/** Takes clef, name, octave and transposition out of the words of a `V:` or `K:` field. */
export function applyVoiceWords(head: VoiceHead, text: string): void {
  const clef = /(?:clef=)?\b((?:treble|bass)[+-]8|(?:alto|tenor)-8|treble|bass3|bass|alto|tenor|soprano|perc)\b/.exec(
    text,
  )?.[1];
  if (clef) head.clef = CLEFS[clef] ?? head.clef;
  const name = /\b(?:name|nm)="([^"]{0,60})"/.exec(text)?.[1];
  if (name !== undefined) head.name = name;
  const octave = /\boctave=(-?\d)/.exec(text)?.[1];
  if (octave !== undefined) head.octaveShift = Number(octave);
  const transpose = /\btranspose=(-?\d{1,2})/.exec(text)?.[1];
  if (transpose !== undefined) head.transpose = Number(transpose);
}

/** A tenor reads in the treble clef what sounds an octave lower **[common practice]**. */
const TENOR = /\bten(or|ore|ors|ori)\b|\bténor/i;

/**
 * Semitones from what is written to what sounds: as the voice says it, else, where nothing says an octave, that of an
 * instrument or voice that is read an octave from where it sounds. Others are typed as they sound (ABC 2.1, 4.6).
 */
export function soundsAt({ name, clef, octaveShift, transpose }: VoiceHead): number {
  if (transpose !== null) return transpose;
  if (clef.octaveChange !== 0 || octaveShift !== 0) return 0;
  if (TENOR.test(name) && clef.sign === 'G') return -12;
  const known = guessInstrument({ name, sound: null, program: null });
  const { transposition: moved } = instrumentOf(known ?? 'other');
  return moved % 12 === 0 ? moved : 0;
}

/** Written-to-sounding steps of so many semitones. */
export const transposition = (semitones: number): DraftPart['transpose'] =>
  semitones === 0
    ? null
    : {
        diatonic: Math.round((semitones % 12) * (7 / 12)),
        chromatic: semitones % 12,
        octaveChange: Math.trunc(semitones / 12),
      };
