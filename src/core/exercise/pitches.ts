import { instrumentOf, type InstrumentId } from '../instruments';
import { keyAlter, STEPS } from '../score';
import { exerciseKey, type Exercise } from './exercise';
import { FIGURES } from './figures';

/** A note as it is written. */
export interface WrittenPitch {
  readonly step: string;
  readonly alter: number;
  readonly octave: number;
  readonly midi: number;
  /** Not as the key signature has it: the leading note of a minor scale. */
  readonly raised: boolean;
}

const SEMITONES = [0, 2, 4, 5, 7, 9, 11] as const;
const OCTAVE_SEMITONES = 12;
const LETTERS = 7;
const MIDDLE_OCTAVE = 4;
/** The step of a minor scale that is raised. */
const LEADING = 6;

/** A step of the scale from a tonic in an octave, as it is written. */
export function pitchAt(exercise: Exercise, tonicOctave: number, step: number): WrittenPitch | null {
  const key = exerciseKey(exercise);
  const letter = STEPS.findIndex((s) => s === exercise.tonic.charAt(0));
  if (!key || letter < 0) return null;
  const at = letter + step + tonicOctave * LETTERS;
  const index = ((at % LETTERS) + LETTERS) % LETTERS;
  const octave = Math.floor(at / LETTERS);
  const name = STEPS[index];
  if (name === undefined) return null;
  const raised = exercise.mode === 'minor' && ((step % LETTERS) + LETTERS) % LETTERS === LEADING;
  const alter = keyAlter(key, name) + (raised ? 1 : 0);
  return { step: name, alter, octave, midi: (octave + 1) * OCTAVE_SEMITONES + (SEMITONES[index] ?? 0) + alter, raised };
}

const SIGNS: Readonly<Record<number, string>> = { [-2]: '𝄫', [-1]: '♭', 0: '', 1: '♯', 2: '𝄪' };

/**
 * The notes of an exercise in one octave, from the tonic up, as they are said.
 *
 * @example exerciseNotes({ figure: 'arpeggio', tonic: 'D', mode: 'major', octaves: 2 }) // → ['D', 'F♯', 'A']
 */
export function exerciseNotes(exercise: Exercise): readonly string[] {
  const steps = [...new Set(FIGURES[exercise.figure].steps(1))].filter((s) => s >= 0 && s < LETTERS);
  return steps
    .sort((a, b) => a - b)
    .flatMap((s) => {
      const pitch = pitchAt(exercise, MIDDLE_OCTAVE, s);
      return pitch ? [`${pitch.step}${SIGNS[pitch.alter] ?? ''}`] : [];
    });
}

/** Steps of the lowest and highest note. */
function reach(exercise: Exercise): readonly [number, number] {
  const steps = FIGURES[exercise.figure].steps(exercise.octaves);
  return [Math.min(...steps), Math.max(...steps)];
}

/** Written keys that an instrument has, for a student; a hand of the keyboard has the keys around the middle. */
function writtenRange(instrument: InstrumentId): readonly [number, number] {
  const { range, transposition } = instrumentOf(instrument);
  const [low, high] = range ?? [48, 84];
  return [low - transposition, high - transposition];
}

const fits = (exercise: Exercise, octave: number, [low, high]: readonly [number, number]): boolean => {
  const [from, to] = reach(exercise).map((s) => pitchAt(exercise, octave, s)?.midi);
  return from !== undefined && to !== undefined && from >= low && to <= high;
};

/**
 * Where the right hand of a keyboard begins: at middle C or above it; of two and three octaves an octave lower, so that
 * the left hand does not climb far above its staff; of four at the low end.
 */
function keyboardOctave({ tonic, octaves }: Exercise): number {
  if (octaves > 3) return 2;
  return octaves === 1 || (octaves === 2 && tonic.startsWith('C')) ? 4 : 3;
}
const OCTAVES = [0, 1, 2, 3, 4, 5, 6, 7] as const;

/**
 * The octave in which an exercise begins on an instrument, as it is written: for one octave on a string that sounds the
 * tonic by itself where there is one, on the voice in the middle, else as low as the instrument goes; null where it
 * has not so many notes.
 *
 * @example tonicOctave({ figure: 'scale', tonic: 'D', mode: 'major', octaves: 1 }, 'violin') // → 4
 */
export function tonicOctave(exercise: Exercise, instrument: InstrumentId): number | null {
  if (exerciseKey(exercise) === null) return null;
  const about = instrumentOf(instrument);
  const range = writtenRange(instrument);
  const possible = OCTAVES.filter((o) => fits(exercise, o, range));
  const [lowest] = possible;
  if (lowest === undefined) return null;
  if (about.fingers?.kind === 'keyboard') return keyboardOctave(exercise);
  if (about.family === 'voice') return possible[Math.floor((possible.length - 1) / 2)] ?? lowest;
  if (about.fingers?.kind !== 'bowed' || exercise.octaves > 1) return lowest;
  const open = new Set(about.fingers.strings.map((s) => s.key - about.transposition));
  return possible.find((o) => open.has(pitchAt(exercise, o, 0)?.midi ?? -1)) ?? lowest;
}

/**
 * The most octaves of an exercise that an instrument has, up to as many as are wanted; 0 where it has not one.
 *
 * @example octavesOn({ figure: 'scale', tonic: 'G', mode: 'major', octaves: 4 }, 'trumpet') // → 2
 */
export function octavesOn(exercise: Exercise, instrument: InstrumentId): number {
  for (let octaves = exercise.octaves; octaves > 0; octaves -= 1)
    if (tonicOctave({ ...exercise, octaves }, instrument) !== null) return octaves;
  return 0;
}
