import { ok } from '../../result';
import { offsetQuarters, type ProposedSection } from '../../sections';
import { fraction, subtract, type Score } from '../../score';
import { sectionId, type Section } from '../../studio';
import { command, put, type RowToPut } from '../command';

export interface AcceptSections {
  readonly pieceId: string;
  readonly score: Score;
  /** Everything that was proposed, in order: `like` counts in it. */
  readonly proposed: readonly ProposedSection[];
  /** Which of them are taken, by their place in the list. */
  readonly chosen: readonly number[];
}

type Edges = Pick<Section, 'fromBar' | 'fromOffset' | 'toBar' | 'toOffset'>;

/** Where a proposed section begins and ends as it is kept: an upbeat lies in the bar before. */
export function edgesOf(score: Score, p: ProposedSection): Edges | null {
  const inBarBefore = (bar: number, upbeat: string): { readonly bar: string; readonly offset: string } | null => {
    const before = score.bars[bar - 1];
    if (upbeat === '0' || !before) return null;
    const offset = subtract(fraction(before.length, score.ticksPerQuarter), offsetQuarters(upbeat));
    return { bar: before.id, offset: offset.d === 1 ? String(offset.n) : `${offset.n}/${offset.d}` };
  };
  const from = score.bars[p.from];
  const to = score.bars[p.to];
  if (!from || !to) return null;
  const start = inBarBefore(p.from, p.upbeatQuarters);
  const end = inBarBefore(p.to + 1, p.endUpbeatQuarters);
  return {
    fromBar: start?.bar ?? from.id,
    fromOffset: start?.offset ?? '0',
    toBar: to.id,
    toOffset: end?.offset ?? null,
  };
}

/**
 * Takes proposals over as sections; copies are linked to what they are like. What is there already at a place is left
 * as it is.
 */
export const acceptSections = command({
  asks: ({ pieceId }: AcceptSections) => ({ sections: { pieceId } }),
  run: (stored, { pieceId, score, proposed, chosen }: AcceptSections) => {
    const there = new Map(stored.sections.map((s) => [s.id, s]));
    const ids = proposed.map((p) => {
      const edges = edgesOf(score, p);
      if (!edges) return null;
      const standing = stored.sections.find(
        (s) => s.parentId === null && s.fromBar === edges.fromBar && s.toBar === edges.toBar && s.hand === 'all',
      );
      return standing?.id ?? sectionId({ pieceId, ...edges, hand: 'all' }, new Set());
    });
    const taken = new Set(chosen);
    const fresh = proposed.flatMap((p, i): RowToPut<'sections'>[] => {
      const id = ids[i];
      const edges = edgesOf(score, p);
      if (!taken.has(i) || id === null || id === undefined || !edges || there.has(id)) return [];
      const like = p.like === null ? null : (ids[p.like] ?? null);
      const isKept = like !== null && p.like !== null && (there.has(like) || taken.has(p.like));
      return [
        {
          id,
          pieceId,
          // What goes by its letter alone has no other name.
          name: p.name === p.letter ? '' : p.name,
          letter: p.letter,
          ...edges,
          parentId: null,
          likeId: isKept ? like : null,
          hand: 'all',
          order: p.from,
        },
      ];
    });
    const [first] = fresh;
    return ok({
      label: fresh.length === 1 ? `section ${first?.letter ?? ''} accepted` : `${fresh.length} sections accepted`,
      changes: fresh.map((s) => put('sections', s)),
      ...(first ? { made: first.id } : {}),
    });
  },
});
