import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { INSTRUMENT_IDS, instrumentOf } from '../instruments';
import { openAbc } from '../studio';
import { EXERCISE_FIGURES, exerciseKey, exerciseNotes, type Exercise } from './index';
import { exerciseAbc } from './exercise-abc';
import { octavesOn } from './pitches';

const TONICS = [...'ABCDEFG'].flatMap((l) => [l, `${l}♯`, `${l}♭`]);
const exercises = fc
  .record({
    figure: fc.constantFrom(...EXERCISE_FIGURES),
    tonic: fc.constantFrom(...TONICS),
    mode: fc.constantFrom('major' as const, 'minor' as const),
    octaves: fc.integer({ min: 1, max: 4 }),
  })
  .filter((e) => exerciseKey(e) !== null);
const PITCH_CLASSES: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const SIGNS: Readonly<Record<string, number>> = { '': 0, '♯': 1, '♭': -1, '𝄪': 2, '𝄫': -2 };
const pitchClass = (name: string): number =>
  ((PITCH_CLASSES[name.charAt(0)] ?? 0) + (SIGNS[name.slice(1)] ?? 0) + 12) % 12;

/** The score of an exercise on an instrument, with what it was made of. */
function written(exercise: Exercise, instrument: (typeof INSTRUMENT_IDS)[number], notesABeat: 1 | 2) {
  const octaves = octavesOn(exercise, instrument);
  if (octaves === 0) return null;
  const fitting = { ...exercise, octaves };
  const abc = exerciseAbc(fitting, instrument, { tempo: 60, notesABeat });
  const opened = openAbc(abc ?? '', 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return { exercise: fitting, score: opened.value.read.score };
}

describe('an exercise on any instrument', () => {
  it('is read back without a note about it, in full bars, in its key, from tonic to tonic, inside the range', () => {
    fc.assert(
      fc.property(exercises, fc.constantFrom(...INSTRUMENT_IDS), fc.constantFrom(1 as const, 2 as const), (e, i, n) => {
        const made = written(e, i, n);
        if (!made) return;
        const { score, exercise } = made;
        const about = instrumentOf(i);
        expect(score.warnings).toEqual([]);
        expect(new Set(score.bars.map((b) => b.length)).size).toBe(1);
        const names = new Set(exerciseNotes(exercise).map(pitchClass));
        const hands = about.fingers?.kind === 'keyboard' ? 2 : 1;
        const written12 = (midi: number): number => (((midi - about.transposition) % 12) + 12) % 12;
        for (const note of score.notes) expect(names).toContain(written12(note.midi ?? -1));
        const [low, high] = about.range ?? [0, 127];
        const keys = score.notes.map((note) => note.midi ?? -1);
        if (hands === 1) expect(Math.min(...keys)).toBeGreaterThanOrEqual(low);
        expect(Math.max(...keys)).toBeLessThanOrEqual(high);
        const tonic = pitchClass(exercise.tonic);
        expect([score.notes[0], score.notes[score.notes.length - 1]].map((x) => written12(x?.midi ?? -1))).toEqual([
          tonic,
          tonic,
        ]);
        expect(score.parts).toHaveLength(1);
      }),
      { numRuns: 150 },
    );
  });
});

describe('the notes of a scale', () => {
  // Harmonic minor and major scales as every theory book prints them **[common practice]**.
  it.each([
    ['C', 'major', 'C D E F G A B'],
    ['A♭', 'major', 'A♭ B♭ C D♭ E♭ F G'],
    ['B', 'major', 'B C♯ D♯ E F♯ G♯ A♯'],
    ['A', 'minor', 'A B C D E F G♯'],
    ['F♯', 'minor', 'F♯ G♯ A B C♯ D E♯'],
    ['C', 'minor', 'C D E♭ F G A♭ B'],
    ['G♯', 'minor', 'G♯ A♯ B C♯ D♯ E F𝄪'],
  ] as const)('%s %s', (tonic, mode, notes) => {
    expect(exerciseNotes({ figure: 'scale', tonic, mode, octaves: 1 }).join(' ')).toBe(notes);
  });
  it('are those of the chord in an arpeggio', () => {
    expect(exerciseNotes({ figure: 'arpeggio', tonic: 'E♭', mode: 'minor', octaves: 2 })).toEqual(['E♭', 'G♭', 'B♭']);
  });
  it('are not there where no key signature holds them', () => {
    expect(exerciseKey({ tonic: 'G♯', mode: 'major' })).toBeNull();
    expect(octavesOn({ figure: 'scale', tonic: 'G♯', mode: 'major', octaves: 1 }, 'piano')).toBe(0);
  });
});

describe('the fingers of five notes', () => {
  // A finger to each key, the thumbs on the inside **[common practice]**.
  const fingersOf = (figure: 'five-notes' | 'scale', instrument: 'piano' | 'violin', staff: number) =>
    written({ figure, tonic: 'C', mode: 'major', octaves: 1 }, instrument, 1)
      ?.score.notes.filter((n) => n.staff === staff)
      .map((n) => n.marks.fingers.join(''))
      .join('');
  it('are those of both hands on a keyboard, and of nothing else', () => {
    expect(fingersOf('five-notes', 'piano', 1)).toBe('123454321');
    expect(fingersOf('five-notes', 'piano', 2)).toBe('543212345');
    expect(fingersOf('five-notes', 'violin', 1)).toBe('');
    expect(fingersOf('scale', 'piano', 1)).toBe('');
  });
});

describe('where an exercise begins', () => {
  const first = (tonic: string, octaves: number, instrument: 'violin' | 'cello' | 'guitar' | 'trumpet' | 'piano') =>
    written({ figure: 'scale', tonic, mode: 'major', octaves }, instrument, 1)?.score.notes.map((n) => n.midi)[0];
  // Scales of the first lessons start on an open string **[common practice]**.
  it('is the open string for one octave, else the lowest there is', () => {
    expect([first('D', 1, 'violin'), first('A', 1, 'violin'), first('G', 2, 'violin')]).toEqual([62, 69, 55]);
    expect([first('D', 1, 'cello'), first('C', 1, 'cello')]).toEqual([50, 36]);
    expect(first('G', 2, 'guitar')).toBe(43);
  });
  it('has no more octaves than the instrument', () => {
    expect(octavesOn({ figure: 'scale', tonic: 'G', mode: 'major', octaves: 4 }, 'trumpet')).toBe(2);
    expect(octavesOn({ figure: 'scale', tonic: 'G', mode: 'major', octaves: 4 }, 'piano')).toBe(4);
  });
});
