import { fail, ok } from '../../result';
import { moveCut as movedCut, offsetQuarters, placeSections, type PlacedSection } from '../../sections';
import { beatOnsets, compare, fraction, type Score } from '../../score';
import { command, put } from '../command';
import { gone } from '../refusals';

export interface MoveCut {
  readonly pieceId: string;
  readonly score: Score;
  readonly sectionId: string;
  /** Beats, earlier or later. */
  readonly by: 1 | -1;
}

/** The section of the same level that begins right where this one ends. */
export const nextSection = (placed: PlacedSection, all: readonly PlacedSection[]): PlacedSection | undefined =>
  all.find(
    (p) =>
      p.section.id !== placed.section.id &&
      p.section.parentId === placed.section.parentId &&
      (p.from === placed.to + 1 || (p.from === placed.to && placed.section.toOffset !== null)),
  );

/** Moves the cut between a section and the next one by a beat. */
export const moveSectionCut = command({
  asks: ({ pieceId }: MoveCut) => ({ sections: { pieceId } }),
  run: (stored, { score, sectionId, by }: MoveCut) => {
    const all = placeSections(score, stored.sections);
    const placed = all.find((p) => p.section.id === sectionId);
    if (!placed) return gone('section');
    const next = nextSection(placed, all);
    if (!next) return fail('section-no-neighbour', 'No section begins right after this one.');
    const beats = score.bars.slice(placed.from, next.to + 1).flatMap((bar) =>
      beatOnsets(bar, score.ticksPerQuarter).map((b) => ({
        bar: bar.index as number,
        at: fraction(b.at, score.ticksPerQuarter),
      })),
    );
    const offset = offsetQuarters(next.section.fromOffset);
    const here = beats.findIndex((b) => b.bar === next.from && compare(b.at, offset) >= 0);
    const target = beats[here + by];
    if (!target) return fail('section-upside-down', 'The section would be empty.');
    const moved = movedCut(score, placed, next, target.bar, target.at);
    if (!moved.ok) return moved;
    const [first, second] = moved.value;
    return ok({
      label: `end of ${first.letter} moved by a beat`,
      changes: [put('sections', first), put('sections', second)],
    });
  },
});
