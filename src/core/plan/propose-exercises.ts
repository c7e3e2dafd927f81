import { exerciseKey, figuresIn, octavesOn, type Exercise, type ExerciseFigure } from '../exercise';
import { instrumentOf, type InstrumentId } from '../instruments';
import type { StudentLevel } from '../ladder';
import { isMinor, majorTonic, minorTonic, type Key, type Score } from '../score';

/** A piece in work, as its player reads it. */
export interface ExercisedPiece {
  readonly title: string;
  readonly score: Score;
  readonly instrument: InstrumentId;
}

export interface ProposedExercise {
  readonly exercise: Exercise;
  readonly instrument: InstrumentId;
  readonly why: string;
}

/** Octaves that are asked for at a level, as far as the instrument goes **[common practice]**. */
const OCTAVES: Readonly<Record<StudentLevel, number>> = { beginner: 1, intermediate: 2, advanced: 3 };

const SEMITONES = 12;

/** Octaves that a piece spans, begun ones counted; of a keyboard, whose hands lie apart, as many as the level asks. */
function octavesSpanned(score: Score, instrument: InstrumentId): number {
  if (instrumentOf(instrument).fingers?.kind === 'keyboard') return Infinity;
  const keys = score.notes.flatMap((n) => (n.midi === null ? [] : [n.midi]));
  return Math.max(1, Math.ceil((Math.max(...keys) - Math.min(...keys)) / SEMITONES));
}

/** The key that most bars of a piece are in. */
function mainKey(score: Score): Key | null {
  const counts = new Map<string, { readonly key: Key; count: number }>();
  for (const { key } of score.bars) {
    const name = `${key.fifths} ${key.mode ?? ''}`;
    const there = counts.get(name);
    if (there) there.count += 1;
    else counts.set(name, { key, count: 1 });
  }
  const [most] = [...counts.values()].sort((a, b) => b.count - a.count);
  return most?.key ?? null;
}

/** The figures of a level in their order; what the piece is made of comes first. */
function figuresFor(
  score: Score,
  level: StudentLevel,
  sings: boolean,
): readonly (readonly [ExerciseFigure, number | null])[] {
  if (sings) return [['five-notes', null]];
  const found = figuresIn(score);
  const usual: readonly (readonly [ExerciseFigure, number | null])[] =
    level === 'beginner'
      ? [
          ['five-notes', null],
          ['scale', found.scale],
          ['arpeggio', found.arpeggio],
        ]
      : [
          ['scale', found.scale],
          ['arpeggio', found.arpeggio],
          ...(level === 'advanced' ? [['thirds', null] as const] : []),
        ];
  // Broken chords all over and no run: the arpeggio first.
  return found.arpeggio !== null && found.scale === null && level !== 'beginner'
    ? [...usual].sort((a, b) => Number(b[0] === 'arpeggio') - Number(a[0] === 'arpeggio'))
    : usual;
}

/**
 * The exercises that the pieces in work ask for, the most wanted first: from their keys and from what they are made of.
 * Pieces without notes, and instruments without scales, ask for none.
 *
 * @example proposeExercises([{ title: 'Lamps', score, instrument: 'piano' }], 'beginner')[0].exercise.figure
 * // → 'five-notes'
 */
export function proposeExercises(pieces: readonly ExercisedPiece[], level: StudentLevel): readonly ProposedExercise[] {
  const each = pieces.map(({ title, score, instrument }): readonly ProposedExercise[] => {
    const about = instrumentOf(instrument);
    const key = mainKey(score);
    if (!key || score.notes.length === 0 || about.family === 'percussion') return [];
    const tonic = isMinor(key) ? minorTonic(key.fifths) : majorTonic(key.fifths);
    const mode = isMinor(key) ? 'minor' : 'major';
    if (exerciseKey({ tonic, mode }) === null) return [];
    return figuresFor(score, level, about.family === 'voice').flatMap(([figure, bar]) => {
      // Not beyond what the piece itself asks of the instrument.
      const most = Math.min(OCTAVES[level], octavesSpanned(score, instrument));
      const wanted: Exercise = { figure, tonic, mode, octaves: figure === 'five-notes' ? 1 : most };
      const octaves = octavesOn(wanted, instrument);
      const where = bar === null ? undefined : score.bars[bar]?.name;
      const why = where === undefined ? `the key of ${title}` : `${title} is made of it, as in bar ${where}`;
      return octaves === 0 ? [] : [{ exercise: { ...wanted, octaves }, instrument, why }];
    });
  });
  // One of each piece in turn, none twice.
  const longest = Math.max(0, ...each.map((list) => list.length));
  const inTurn = Array.from({ length: longest }, (_, i) => each.flatMap((list) => list[i] ?? [])).flat();
  const name = ({ exercise: e, instrument }: ProposedExercise): string =>
    [instrument, e.figure, e.tonic, e.mode].join(' ');
  return inTurn.filter((p, i) => inTurn.findIndex((q) => name(q) === name(p)) === i);
}
