import { putMarks, setWords } from '@/core/commands';
import type { Note } from '@/core/score';
import { clampText, type NewMark } from '@/core/studio';
import type { MarkDesk } from './mark-desk';

const LONGEST_SYLLABLE = 40;

/** Words to count and sing with. */
export const wordActions = ({ model: { notes, words }, run, base }: MarkDesk) => ({
  wordsFromLyrics: (): void =>
    run(putMarks, {
      label: 'words from the lyrics',
      marks: notes.flatMap((n): NewMark[] => {
        const [lyric] = n.marks.lyrics;
        return lyric && !words.has(n.id)
          ? [{ ...base, kind: 'syllable', noteId: n.id, text: clampText(lyric.text, LONGEST_SYLLABLE) || '–' }]
          : [];
      }),
    }),
  /** Words split by hyphens go on to the notes that follow, one syllable a note. */
  setWord: (at: Note, text: string, stored: () => void): void => {
    const line = notes.filter(
      (n) =>
        n.staff === at.staff &&
        n.part === at.part &&
        !n.chord &&
        n.onset >= at.onset &&
        n.tie !== 'stop' &&
        n.tie !== 'continue',
    );
    run(setWords, { pieceId: base.pieceId, line: line.map((n) => n.id), text }, { stored });
  },
});
