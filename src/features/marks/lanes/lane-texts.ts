import type { Mark } from '@/core/studio';
import type { LaneText } from '@/ui';
import type { Suggestion } from '../suggestions';
import type { MarksModel } from '../use-marks-model';

/** Where a text comes from, as far as it is to be seen. */
export const seen = <T extends { readonly source: LaneText['source'] }>(
  list: readonly T[],
  { shownSource }: Pick<MarksModel, 'shownSource'>,
): readonly T[] => (shownSource === 'all' ? list : list.filter((t) => t.source === shownSource));

/** What `own` makes of the marks that are kept. */
export const ownTexts = (marks: readonly Mark[], own: (m: Mark) => string | null): LaneText[] =>
  marks.flatMap((m) => {
    const text = 'noteId' in m ? own(m) : null;
    return text !== null && 'noteId' in m ? [{ noteId: m.noteId, text, source: m.source }] : [];
  });

/** What is suggested for a lane, of one kind where that is asked. */
export const suggestedTexts = (
  suggestions: readonly Suggestion[],
  lane: Suggestion['lane'],
  kind?: Suggestion['body']['kind'],
): LaneText[] =>
  suggestions.flatMap((s) =>
    s.lane === lane && (kind === undefined || s.body.kind === kind)
      ? [{ noteId: s.noteId, text: s.text, source: 'suggested' as const }]
      : [],
  );

/** Texts of a lane: what is kept, and what is suggested for it. */
export const laneTexts = (
  { marks, suggestions }: Pick<MarksModel, 'marks' | 'suggestions'>,
  lane: Suggestion['lane'],
  own: (m: Mark) => string | null,
): LaneText[] => [...ownTexts(marks, own), ...suggestedTexts(suggestions, lane)];
