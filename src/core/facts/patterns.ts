import { isMinor, majorTonic, minorTonic, STEPS, type Key } from '../score';

/** A scale or chord pattern to own before the piece: its name and its notes in order. */
export interface Pattern {
  readonly kind: 'scale' | 'chord';
  readonly role: 'tonic' | 'dominant' | 'relative';
  readonly name: string;
  readonly notes: readonly string[];
}

const SIGNS = ['𝄫', '♭', '', '♯', '𝄪'];
const SEMITONES = [0, 2, 4, 5, 7, 9, 11];
const MAJOR_SCALE = [0, 2, 4, 5, 7, 9, 11];
const HARMONIC_MINOR = [0, 2, 3, 5, 7, 8, 11];

/** Seven notes from a tonic, one a letter: `scaleNotes('E', 'minor')` is E F♯ G A B C D♯ (harmonic). */
export function scaleNotes(tonic: string, mode: 'major' | 'minor'): string[] {
  const letter = STEPS.findIndex((s) => s === tonic[0]);
  if (letter < 0) return [];
  const start = (SEMITONES[letter] ?? 0) + (tonic.includes('♯') ? 1 : tonic.includes('♭') ? -1 : 0);
  return (mode === 'major' ? MAJOR_SCALE : HARMONIC_MINOR).map((up, i) => {
    const step = (letter + i) % 7;
    const natural = (SEMITONES[step] ?? 0) + (letter + i >= 7 ? 12 : 0);
    return `${STEPS[step] ?? '?'}${SIGNS[start + up - natural + 2] ?? '?'}`;
  });
}

const pick = (scale: readonly string[], degrees: readonly number[]): string[] =>
  degrees.flatMap((d) => scale[(d - 1) % 7] ?? []);

/**
 * The scales and chord patterns of tonic, dominant and relative **[common practice]**: for G major the scales of G, D
 * and E minor, the triads of G and E minor and the dominant seventh on D.
 *
 * @example patternsFor({ fifths: 1, mode: 'major' })[0].name // → 'G major'
 */
export function patternsFor(key: Key): readonly Pattern[] {
  const minor = isMinor(key);
  const tonic = minor ? minorTonic(key.fifths) : majorTonic(key.fifths);
  const mode = minor ? 'minor' : 'major';
  const scale = scaleNotes(tonic, mode);
  const dominant = scale[4] ?? '';
  const relative = minor ? majorTonic(key.fifths) : minorTonic(key.fifths);
  const relativeMode = minor ? 'major' : 'minor';
  if (tonic === '?' || relative === '?') return [];
  const dominantScale = scaleNotes(dominant, 'major');
  const relativeScale = scaleNotes(relative, relativeMode);
  return [
    { kind: 'scale', role: 'tonic', name: `${tonic} ${mode}`, notes: scale },
    { kind: 'scale', role: 'dominant', name: `${dominant} major`, notes: dominantScale },
    { kind: 'scale', role: 'relative', name: `${relative} ${relativeMode}`, notes: relativeScale },
    { kind: 'chord', role: 'tonic', name: `${tonic} ${mode}`, notes: pick(scale, [1, 3, 5]) },
    { kind: 'chord', role: 'dominant', name: `${dominant}7`, notes: pick(scale, [5, 7, 2, 4]) },
    { kind: 'chord', role: 'relative', name: `${relative} ${relativeMode}`, notes: pick(relativeScale, [1, 3, 5]) },
  ];
}
