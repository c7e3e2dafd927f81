import { exerciseAbc, exerciseName, type Exercise } from '../../exercise';
import type { InstrumentId } from '../../instruments';
import { EXERCISE_PACE, type StudentLevel } from '../../ladder';
import { fail, ok, type Result } from '../../result';
import { placeSections } from '../../sections';
import { exerciseIds, openAbc, type Piece, type Section, type Teaching } from '../../studio';
import { put, type Moment, type RowChange } from '../command';
import { builtRungs, ladderRow } from '../ladder/ladder-context';

export interface NewExercise {
  readonly exercise: Exercise;
  readonly instrument: InstrumentId;
  /** Of whom it is made for: how fast it is, and its ladder. */
  readonly level: StudentLevel;
  readonly teaching: Teaching;
}

/** The ids that an exercise has, or will have once it is there. */
export const idsOf = ({ exercise, instrument, level }: NewExercise): ReturnType<typeof exerciseIds> =>
  exerciseIds(instrument, exercise, EXERCISE_PACE[level].notesABeat);

/** A technique exercise as it is kept: a piece of its own with one section and its ladder. */
export function exerciseRows(made: NewExercise, { now }: Moment): Result<readonly RowChange[]> {
  const { exercise, instrument, level, teaching } = made;
  const name = exerciseName(exercise);
  const abc = exerciseAbc(exercise, instrument, EXERCISE_PACE[level]);
  if (abc === null) return fail('exercise-too-wide', `${name} does not fit on this instrument.`);
  const opened = openAbc(abc, `${name}.abc`);
  if (!opened.ok) return opened;
  const { score } = opened.value.read;
  const [first, last] = [score.bars[0], score.bars[score.bars.length - 1]];
  if (!first || !last) return fail('exercise-too-wide', `${name} has no bars.`);
  const { pieceId, sectionId } = idsOf(made);
  const piece = {
    id: pieceId,
    title: name,
    composer: '',
    format: 'abc',
    fileName: `${name}.abc`,
    source: opened.value.text,
    encoding: opened.value.encoding,
    bom: opened.value.bom,
    original: opened.value.original,
    instrument,
    targetTempo: null,
    exercise,
    addedAt: now,
  } satisfies Omit<Piece, 'updatedAt'>;
  const section = {
    id: sectionId,
    pieceId,
    name: 'up and down',
    letter: '',
    fromBar: first.id,
    toBar: last.id,
    fromOffset: '0',
    toOffset: null,
    parentId: null,
    likeId: null,
    hand: 'all',
    order: 0,
  } satisfies Omit<Section, 'updatedAt'>;
  const placed = placeSections(score, [{ ...section, updatedAt: now }]);
  const [at] = placed;
  const rungs = at ? builtRungs({ ...piece, updatedAt: now }, at, placed, [], { score, teaching, level }) : [];
  return ok([put('pieces', piece), put('sections', section), put('ladders', ladderRow(section, rungs))]);
}
