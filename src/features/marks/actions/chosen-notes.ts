import type { Note } from '@/core/score';
import type { MarksModel } from '../use-marks-model';

/** The notes that a sign is about: the chosen stretch in order, else the note in hand. */
export const chosenNotes = ({ stretch, note }: Pick<MarksModel, 'stretch' | 'note'>): readonly Note[] =>
  stretch.length > 1 ? [...stretch].sort((a, b) => a.onset - b.onset) : note ? [note] : [];
