import type { Mark } from '@/core/studio';
import type { LaneText } from '@/ui';

/** What `own` makes of the marks that are kept. */
export const ownTexts = (marks: readonly Mark[], own: (m: Mark) => string | null): LaneText[] =>
  marks.flatMap((m) => {
    const text = 'noteId' in m ? own(m) : null;
    return text !== null && 'noteId' in m ? [{ noteId: m.noteId, text, source: m.source }] : [];
  });
