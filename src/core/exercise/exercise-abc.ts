import { instrumentOf, type Clef, type InstrumentId } from '../instruments';
import { exerciseName, type Exercise } from './exercise';
import { FIGURES } from './figures';
import { pitchAt, tonicOctave, type WrittenPitch } from './pitches';

/** How an exercise is played: beats a minute, and notes to a beat. */
export interface ExercisePace {
  readonly tempo: number;
  readonly notesABeat: 1 | 2;
}

const ACCIDENTALS: Readonly<Record<number, string>> = { [-2]: '__', [-1]: '_', 0: '', 1: '^', 2: '^^' };
const MIDDLE = 4;

/** A note in ABC; what the key does not hold already has its sign. */
function noteText({ step, alter, octave, raised }: WrittenPitch): string {
  const sign = raised ? (alter === 0 ? '=' : (ACCIDENTALS[alter] ?? '')) : '';
  const letter = octave > MIDDLE ? step.toLowerCase() : step;
  const marks = octave > MIDDLE ? "'".repeat(octave - MIDDLE - 1) : ','.repeat(MIDDLE - octave);
  return `${sign}${letter}${marks}`;
}

/** The hand that plays a line on a keyboard; null where fingers are not said. */
type Hand = 'right' | 'left' | null;

/** In five notes each finger has its own; elsewhere the thumb passes, and the teacher says where. */
const fingerText = ({ figure }: Exercise, hand: Hand, step: number): string =>
  figure !== 'five-notes' || hand === null ? '' : `!${hand === 'right' ? step + 1 : 5 - step}!`;

/** All notes of one line, bar by bar; the last one fills its bar. */
function lineText(exercise: Exercise, octave: number, notesABeat: number, hand: Hand): string {
  const { steps, beats } = FIGURES[exercise.figure];
  const perBar = beats * notesABeat;
  const all = steps(exercise.octaves);
  return all
    .map((step, i) => {
      const pitch = pitchAt(exercise, octave, step);
      if (!pitch) return '';
      const isLast = i === all.length - 1;
      const rest = perBar - (i % perBar);
      const beatEnds = (i + 1) % notesABeat === 0;
      const barEnds = (i + 1) % perBar === 0;
      const finger = fingerText(exercise, hand, step);
      return `${finger}${noteText(pitch)}${isLast && rest > 1 ? rest : ''}${isLast ? ' |]' : barEnds ? ' | ' : beatEnds ? ' ' : ''}`;
    })
    .join('');
}

const CLEFS: Readonly<Record<Clef, string>> = {
  treble: 'treble',
  'treble-8': 'treble-8',
  alto: 'alto',
  tenor: 'tenor',
  bass: 'bass',
  'bass-8': 'bass-8',
  percussion: 'treble',
};

/**
 * The exercise as music in ABC, for an instrument: a keyboard has both hands, an octave apart. Null where the
 * instrument has not so many notes, or the key cannot be written.
 *
 * @example
 * exerciseAbc({ figure: 'five-notes', tonic: 'C', mode: 'major', octaves: 1 }, 'flute', { tempo: 60, notesABeat: 1 })
 *   .split('\n').pop() // → 'C D E F | G F E D | C4 |]'
 */
export function exerciseAbc(exercise: Exercise, instrument: InstrumentId, pace: ExercisePace): string | null {
  const octave = tonicOctave(exercise, instrument);
  if (octave === null) return null;
  const about = instrumentOf(instrument);
  const { beats } = FIGURES[exercise.figure];
  const line = (at: number, hand: Hand = null): string => lineText(exercise, at, pace.notesABeat, hand);
  const [clef = 'treble'] = about.clefs;
  // Said even where it is nothing: a name alone may say an octave ("tenor banjo").
  const sounding = clef.endsWith('-8') ? '' : ` transpose=${about.transposition}`;
  const voices =
    about.fingers?.kind === 'keyboard'
      ? ['%%score {R L}', 'V:R clef=treble name="Right hand"', 'V:L clef=bass name="Left hand"']
      : [`V:1 clef=${CLEFS[clef]} name="${about.name}"${sounding}`];
  const music =
    about.fingers?.kind === 'keyboard'
      ? ['[V:R]' + line(octave, 'right'), '[V:L]' + line(octave - 1, 'left')]
      : [line(octave)];
  const tonic = exercise.tonic.replace('♯', '#').replace('♭', 'b');
  return [
    'X:1',
    `T:${exerciseName(exercise)}`,
    `M:${beats}/4`,
    `L:1/${4 * pace.notesABeat}`,
    `Q:1/4=${pace.tempo}`,
    ...voices,
    `K:${tonic}${exercise.mode === 'minor' ? 'm' : ''}`,
    ...music,
  ].join('\n');
}
