import { fail, ok } from '../../result';
import { nextLetter, placeSections, splitSection as split } from '../../sections';
import type { Score } from '../../score';
import { sectionId as idOf } from '../../studio';
import { command, put } from '../command';
import { gone } from '../refusals';

export interface SplitSection {
  readonly pieceId: string;
  readonly score: Score;
  readonly sectionId: string;
  /** The bar before which it is split. */
  readonly at: number;
}

/** Splits a section: the first part keeps its name, letter, ladder and records, the second is new. */
export const splitSection = command({
  asks: ({ pieceId }: SplitSection) => ({ sections: { pieceId } }),
  run: (stored, { pieceId, score, sectionId, at }: SplitSection) => {
    const placed = placeSections(score, stored.sections).find((p) => p.section.id === sectionId);
    const bar = score.bars[at];
    if (!placed) return gone('section');
    if (!bar) return fail('section-outside', 'The piece has no such bar.');
    const { section } = placed;
    const place = {
      pieceId,
      fromBar: bar.id,
      fromOffset: '0',
      toBar: section.toBar,
      toOffset: section.toOffset,
      hand: section.hand,
    };
    const id = idOf(place, new Set(stored.sections.map((s) => s.id)));
    const result = split(score, placed, at, { id, letter: nextLetter(stored.sections) });
    if (!result.ok) return result;
    const [first, second] = result.value;
    return ok({
      label: `section ${first.letter} split`,
      changes: [put('sections', first), put('sections', second)],
      made: second.id,
    });
  },
});
