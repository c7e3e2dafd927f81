import { midiKey, type MidiKey } from '../units';
import type { Pitch, Step, Transposition } from './model';

const SEMITONES: Record<Step, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
export const STEPS: readonly Step[] = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];

/**
 * MIDI key of a pitch as written: C4 is 60 (MIDI 1.0 specification, note 60 = middle C). Quarter tones round up.
 *
 * @example writtenMidi({ step: 'C', alter: 0, octave: 4 }) // → 60
 */
export const writtenMidi = (pitch: Pitch): MidiKey =>
  midiKey(Math.round((pitch.octave + 1) * 12 + SEMITONES[pitch.step] + pitch.alter));

/**
 * Semitones from written to sounding: -2 for a B flat trumpet, -12 for a double bass.
 *
 * @example transpositionInSemitones({ diatonic: -1, chromatic: -2, octaveChange: 0 }) // → -2
 */
export const transpositionInSemitones = (transpose: Transposition): number =>
  transpose.chromatic + 12 * transpose.octaveChange;

/**
 * Steps above C0, for distances on the staff: C4 is 28, D4 is 29.
 *
 * @example staffPosition({ step: 'E', alter: 0, octave: 4 }) // → 30
 */
export const staffPosition = (pitch: Pitch): number => pitch.octave * 7 + STEPS.indexOf(pitch.step);

/**
 * Whether a MIDI key is a black one of the keyboard.
 *
 * @example isBlackKey(61) // → true
 */
export const isBlackKey = (key: number): boolean => [1, 3, 6, 8, 10].includes(((key % 12) + 12) % 12);

const SIGNS: Readonly<Record<string, string>> = { '-2': '𝄫', '-1': '♭', '0': '', '1': '♯', '2': '𝄪' };

/**
 * A note as its letter is said: `C`, `F♯`, `B♭`.
 *
 * @example pitchLetter({ step: 'F', alter: 1, octave: 4 }) // → 'F♯'
 */
export const pitchLetter = ({ step, alter }: Pitch): string => `${step}${SIGNS[String(alter)] ?? `(${alter})`}`;

/**
 * `C4`, `F♯5`, `B♭3`.
 *
 * @example pitchName({ step: 'F', alter: 1, octave: 4 }) // → 'F♯4'
 */
export const pitchName = (pitch: Pitch): string => `${pitchLetter(pitch)}${pitch.octave}`;

/**
 * Spells a MIDI key in a key of so many fifths: sharps in sharp keys, flats in flat keys.
 *
 * @example spellMidi(66, 1) // → { step: 'F', alter: 1, octave: 4 }
 */
export function spellMidi(midi: number, fifths: number): Pitch {
  const sharps: readonly (readonly [Step, number])[] = [
    ['C', 0],
    ['C', 1],
    ['D', 0],
    ['D', 1],
    ['E', 0],
    ['F', 0],
    ['F', 1],
    ['G', 0],
    ['G', 1],
    ['A', 0],
    ['A', 1],
    ['B', 0],
  ];
  const flats: readonly (readonly [Step, number])[] = [
    ['C', 0],
    ['D', -1],
    ['D', 0],
    ['E', -1],
    ['E', 0],
    ['F', 0],
    ['G', -1],
    ['G', 0],
    ['A', -1],
    ['A', 0],
    ['B', -1],
    ['B', 0],
  ];
  const [step, alter] = (fifths < 0 ? flats : sharps)[((midi % 12) + 12) % 12] ?? ['C', 0];
  return { step, alter, octave: Math.floor(midi / 12) - 1 };
}
