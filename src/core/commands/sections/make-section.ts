import { fail, ok } from '../../result';
import { nextLetter } from '../../sections';
import type { Score } from '../../score';
import { sectionId } from '../../studio';
import { command, put } from '../command';

export interface MakeSection {
  readonly pieceId: string;
  readonly score: Score;
  /** Bars, both included. */
  readonly bars: readonly [number, number];
}

/** A new section of some bars, under the next letter that is free. */
export const makeSection = command({
  asks: ({ pieceId }: MakeSection) => ({ sections: { pieceId } }),
  run: (stored, { pieceId, score, bars }: MakeSection) => {
    const from = score.bars[bars[0]];
    const to = score.bars[Math.min(bars[1], score.bars.length - 1)];
    if (!from || !to) return fail('section-outside', 'The piece has no such bars.');
    const place = { pieceId, fromBar: from.id, fromOffset: '0', toBar: to.id, toOffset: null, hand: 'all' as const };
    const id = sectionId(place, new Set(stored.sections.map((s) => s.id)));
    const letter = nextLetter(stored.sections);
    return ok({
      label: `section ${letter} made`,
      changes: [put('sections', { ...place, id, name: '', letter, parentId: null, likeId: null, order: bars[0] })],
      made: id,
    });
  },
});
