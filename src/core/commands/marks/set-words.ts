import { ok } from '../../result';
import { clampText, markId, type NewMark } from '../../studio';
import { command, put, remove } from '../command';

export interface SetWords {
  readonly pieceId: string;
  /** Note ids in order, the note in hand first. */
  readonly line: readonly string[];
  /** Syllables split by hyphens or spaces, one a note; nothing takes the word of the first note away. */
  readonly text: string;
}

const LONGEST_SYLLABLE = 40;

/** The student's own words, one syllable a note from the note in hand on. */
export const setWords = command({
  asks: ({ pieceId }: SetWords) => ({ marks: { pieceId } }),
  run: (stored, { pieceId, line, text }: SetWords) => {
    const there = new Set(stored.marks.map((m) => m.id));
    const syllables = text.trim() === '' ? [''] : text.trim().split(/[\s-]+/);
    const changes = syllables.flatMap((syllable, i) => {
      const noteId = line[i];
      if (noteId === undefined) return [];
      const mark: NewMark = {
        kind: 'syllable',
        pieceId,
        studentId: null,
        source: 'teacher',
        noteId,
        text: clampText(syllable, LONGEST_SYLLABLE),
      };
      const id = markId(mark);
      if (syllable !== '') return [put('marks', { ...mark, id })];
      return there.has(id) ? [remove('marks', id)] : [];
    });
    const over = syllables.length - line.length;
    return ok({
      label: 'own words',
      changes,
      ...(over > 0
        ? {
            warns: `${over} ${over === 1 ? 'syllable' : 'syllables'} more than there are notes here; ${over === 1 ? 'it was' : 'they were'} left out.`,
          }
        : {}),
    });
  },
});
