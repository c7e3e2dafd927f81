import { add, compare, fraction, fractionText, type Score } from '../score';
import { offsetQuarters, type PlacedSection } from '../sections';
import { placeId, type Section } from '../studio';
import { firstBarOf, isSection } from './kept-shapes';
import type { WayChunk } from './way';

/** A row of the table of sections without its times. */
export type PlaceRow = Omit<Section, 'updatedAt' | 'touched'>;

const KIND: { readonly [K in WayChunk['kind']]: NonNullable<Section['kind']> } = {
  section: 'section',
  phrase: 'phrase',
  chunk: 'chunk',
  join: 'join',
  piece: 'piece',
};

/** Where a place lies as it is kept: an upbeat in the bar before; the first note of the next bar is not kept. */
function edges(score: Score, chunk: WayChunk): Pick<Section, 'fromBar' | 'fromOffset' | 'toBar' | 'toOffset'> | null {
  const first = score.bars[chunk.from];
  const last = score.bars[chunk.to];
  if (!first || !last) return null;
  const before = score.bars[chunk.from - 1];
  const from = offsetQuarters(chunk.fromOffset);
  const upbeat = from.n < 0 && before;
  const start = upbeat ? add(fraction(before.length, score.ticksPerQuarter), from) : from;
  const to = offsetQuarters(chunk.toOffset);
  const isShort = compare(to, fraction(last.length, score.ticksPerQuarter)) < 0 && to.n > 0;
  return {
    fromBar: upbeat ? before.id : first.id,
    fromOffset: fractionText(start.n < 0 ? fraction(0) : start),
    toBar: last.id,
    toOffset: isShort ? fractionText(to) : null,
  };
}

/** The section among those kept that a step is about. */
const sectionAt = (kept: readonly PlacedSection[], from: number, to: number): PlacedSection | undefined =>
  kept.find((p) => isSection(p.section) && firstBarOf(p) === from && p.to === to);

/** The section that holds all of a place: what it is listed under. */
const parentOf = (kept: readonly PlacedSection[], { from, to }: WayChunk): string | null =>
  kept.find((p) => isSection(p.section) && p.section.parentId === null && firstBarOf(p) <= from && p.to >= to)?.section
    .id ?? null;

/**
 * The rows of a way's chunks, one a chunk, in its order; a section that is kept is its own row. Rows of one place get
 * numbers. `like` is linked to the row of that place, where it has one.
 *
 * @example placeRows(score, 'p', [], [walked('x', 0, 1).chunk]).map((r) => r.name) // → ['bars 1–2']
 */
export function placeRows(
  score: Score,
  pieceId: string,
  kept: readonly PlacedSection[],
  chunks: readonly WayChunk[],
): readonly PlaceRow[] {
  const taken = new Set<string>();
  const byBars = new Map<string, string>();
  return chunks.flatMap((chunk): readonly PlaceRow[] => {
    const place = edges(score, chunk);
    if (!place) return [];
    const likeId = chunk.like === null ? null : (byBars.get(chunk.like.join(' ')) ?? null);
    const key = `${chunk.from} ${chunk.to}`;
    const section = chunk.kind === 'section' ? sectionAt(kept, chunk.from, chunk.to)?.section : undefined;
    if (section) {
      if (!byBars.has(key)) byBars.set(key, section.id);
      taken.add(section.id);
      return [section];
    }
    const base = placeId(
      chunk.kind,
      pieceId,
      place.fromBar,
      place.fromOffset,
      place.toBar,
      place.toOffset ?? 'end',
      chunk.hand,
    );
    let rowId = base;
    for (let n = 2; taken.has(rowId); n += 1) rowId = placeId(base, String(n));
    taken.add(rowId);
    if (chunk.kind !== 'join' && !byBars.has(key)) byBars.set(key, rowId);
    return [
      {
        id: rowId,
        pieceId,
        kind: KIND[chunk.kind],
        name: chunk.name,
        letter: '',
        ...place,
        parentId: parentOf(kept, chunk),
        likeId,
        hand: chunk.hand,
        order: chunk.from,
      },
    ];
  });
}
