/** A technique exercise: what is played of which scale, in the key as it is read. */
import { z } from 'zod';
import type { Key } from '../score';

export const EXERCISE_FIGURES = ['five-notes', 'scale', 'arpeggio', 'thirds'] as const;
export type ExerciseFigure = (typeof EXERCISE_FIGURES)[number];

export const MOST_OCTAVES = 4;

export const exerciseSchema = z.object({
  figure: z.enum(EXERCISE_FIGURES),
  /** `D`, `F♯`, `B♭`: as the player reads it. */
  tonic: z.string().regex(/^[A-G][♯♭]?$/u),
  /** Minor is the harmonic one. */
  mode: z.enum(['major', 'minor']),
  octaves: z.number().int().min(1).max(MOST_OCTAVES),
});
export type Exercise = z.infer<typeof exerciseSchema>;

const LETTER_FIFTHS: Readonly<Record<string, number>> = { F: -1, C: 0, G: 1, D: 2, A: 3, E: 4, B: 5 };
/** The most sharps or flats that a key is written with. */
const MOST_SIGNS = 7;
const MINOR_SHIFT = 3;
const SIGN_FIFTHS = 7;

/**
 * The key an exercise is written in; null for one that no key signature holds, as G sharp major.
 *
 * @example exerciseKey({ tonic: 'F♯', mode: 'minor' }) // → { fifths: 3, mode: 'minor' }
 */
export function exerciseKey({ tonic, mode }: Pick<Exercise, 'tonic' | 'mode'>): Key | null {
  const letter = LETTER_FIFTHS[tonic.charAt(0)];
  if (letter === undefined) return null;
  const sign = tonic.endsWith('♯') ? SIGN_FIFTHS : tonic.endsWith('♭') ? -SIGN_FIFTHS : 0;
  const fifths = letter + sign - (mode === 'minor' ? MINOR_SHIFT : 0);
  return Math.abs(fifths) > MOST_SIGNS ? null : { fifths, mode };
}

const COUNT = ['', 'one octave', 'two octaves', 'three octaves', 'four octaves'] as const;
const FIGURE_NAMES: Readonly<Record<ExerciseFigure, string>> = {
  'five-notes': 'Five notes of',
  scale: 'Scale of',
  arpeggio: 'Arpeggio of',
  thirds: 'Broken thirds of',
};

/**
 * What an exercise is called.
 *
 * @example exerciseName({ figure: 'thirds', tonic: 'D', mode: 'major', octaves: 1 })
 * // → 'Broken thirds of D major, one octave'
 */
export const exerciseName = ({ figure, tonic, mode, octaves }: Exercise): string =>
  `${FIGURE_NAMES[figure]} ${tonic} ${mode}${figure === 'five-notes' ? '' : `, ${COUNT[octaves] ?? ''}`}`;
