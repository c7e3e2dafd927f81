import { fail, ok } from '../../result';
import { moveEnds as movedEnds, placeSections, type PlacedSection } from '../../sections';
import type { Score } from '../../score';
import { command, put } from '../command';
import { gone } from '../refusals';

export interface MoveEnds {
  readonly pieceId: string;
  readonly score: Score;
  readonly sectionId: string;
  /** To which bar each end goes; absent ends stay. */
  readonly from?: number;
  readonly to?: number;
  /** By how many bars each end goes, counted from where it is stored. */
  readonly fromBy?: number;
  readonly toBy?: number;
  /** The neighbour that met the moved end gives way. */
  readonly withNeighbour: boolean;
}

/** The neighbour that gives way when an end moves: the section of the same level that met it there. */
function neighbourOf(
  placed: PlacedSection,
  all: readonly PlacedSection[],
  end: 'from' | 'to',
): PlacedSection | undefined {
  const peers = all.filter((p) => p.section.id !== placed.section.id && p.section.parentId === placed.section.parentId);
  return end === 'to' ? peers.find((p) => p.from === placed.to + 1) : peers.find((p) => p.to === placed.from - 1);
}

/** Moves one or both ends of a section to a bar, or by bars. */
export const moveSectionEnds = command({
  asks: ({ pieceId }: MoveEnds) => ({ sections: { pieceId } }),
  run: (stored, { score, sectionId, from, to, fromBy = 0, toBy = 0, withNeighbour }: MoveEnds) => {
    const all = placeSections(score, stored.sections);
    const placed = all.find((p) => p.section.id === sectionId);
    if (!placed)
      return stored.sections.some((s) => s.id === sectionId)
        ? fail('not-in-piece', 'The section is not in this edition.')
        : gone('section');
    const nextFrom = from ?? placed.from + fromBy;
    const nextTo = to ?? placed.to + toBy;
    const moved = movedEnds(score, placed.section, nextFrom, nextTo);
    if (!moved.ok) return moved;
    const changes = [put('sections', moved.value)];
    for (const end of ['from', 'to'] as const) {
      if (!withNeighbour || (end === 'from' ? nextFrom === placed.from : nextTo === placed.to)) continue;
      const neighbour = neighbourOf(placed, all, end);
      const given = neighbour
        ? movedEnds(
            score,
            neighbour.section,
            end === 'to' ? nextTo + 1 : neighbour.from,
            end === 'to' ? neighbour.to : nextFrom - 1,
          )
        : null;
      if (neighbour && given && !given.ok)
        return fail(
          'section-upside-down',
          `Section ${neighbour.section.letter} would have no bar left. Remove it, or join it, first.`,
        );
      if (given?.ok) changes.push(put('sections', given.value));
    }
    return ok({ label: `section ${placed.section.letter} moved`, changes });
  },
});
