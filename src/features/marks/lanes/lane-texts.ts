import type { Mark } from '@/core/studio';
import { ownTexts } from '@/marked';
import type { LaneText } from '@/ui';
import type { Suggestion } from '../suggestions';
import type { MarksModel } from '../use-marks-model';

/** Where a text comes from, as far as it is to be seen. */
export const seen = <T extends { readonly source: LaneText['source'] }>(
  list: readonly T[],
  { shownSource }: Pick<MarksModel, 'shownSource'>,
): readonly T[] => (shownSource === 'all' ? list : list.filter((t) => t.source === shownSource));

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
