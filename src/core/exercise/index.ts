/**
 * Technique exercises: scales, arpeggios, five notes, broken thirds. In: a figure, a key as it is read, octaves, an
 * instrument. Out: its name and its music as ABC, in the instrument's own range and clef. Octaves count from C4, the
 * middle one; pitches are written ones.
 */
export {
  EXERCISE_FIGURES,
  exerciseKey,
  exerciseName,
  exerciseSchema,
  MOST_OCTAVES,
  type Exercise,
  type ExerciseFigure,
} from './exercise';
export { exerciseAbc, type ExercisePace } from './exercise-abc';
export { exerciseNotes, octavesOn } from './pitches';
export { figuresIn, type FiguresIn } from './figures-in';
