import { parseGrid } from '@/core/bargrid';
import { STAFF_AT_FULL_SIZE, type EngraveOptions } from '@/core/engraving';
import { pageLines, type PageLine, type TypedNote } from '@/core/paper';
import { fail, ok, type Result } from '@/core/result';
import { isBlankBar, type Score } from '@/core/score';
import type { Piece } from '@/core/studio';
import { layoutsOf, pagesById, type StudioAccess } from '@/store';
import { cutLines } from '@/workers';
import { versionOf } from './loaded-piece';
import { recentlyUsed } from './recently-used';

/** Spaces of a staff. */
const SPACES = 4;
/** Lines kept in memory, with their pictures. */
const recent = recentlyUsed<readonly string[]>(60);

/** Notes and rests of typed bars by bar: where in it they sound. */
function typedNotes(score: Score, from: number, to: number): ReadonlyMap<string, readonly TypedNote[]> {
  const notes = new Map<string, TypedNote[]>();
  for (const event of [...score.notes, ...score.rests]) {
    const bar = event.bar >= from && event.bar <= to ? score.bars[event.bar] : undefined;
    if (!bar || isBlankBar(bar) || bar.length === 0) continue;
    const here = notes.get(bar.id) ?? [];
    here.push({
      id: event.id,
      at: (event.onset - bar.onset) / bar.length,
      staff: event.staff - 1,
      kind: event.kind,
    });
    notes.set(bar.id, here);
  }
  return notes;
}

/** Numbers over bars: over all of them, or over the first of a line that begins within its system. */
function namesOver({ bars }: PageLine, names: ReadonlyMap<string, string>, all: boolean): ReadonlyMap<string, string> {
  const named = all ? bars : bars.slice(0, 1).filter((b) => !b.begins);
  return new Map(named.flatMap(({ id }) => (names.has(id) ? [[id, names.get(id) ?? ''] as const] : [])));
}

/** A piece that can be cut from its pages: only one whose bars were laid out can. */
export const mayBeOnPages = (piece: Piece): boolean => piece.original?.startsWith('{') ?? false;

/**
 * Bars of a piece as lines cut from the pictures of its pages; null where it has none, and is to be engraved.
 */
export async function drawnFromPages(
  { db }: Pick<StudioAccess, 'db'>,
  piece: Piece,
  score: Score,
  { from, to }: { readonly from: number; readonly to: number },
  { width, scale, numbered = false }: EngraveOptions,
): Promise<Result<readonly string[]> | null> {
  const grid = mayBeOnPages(piece) ? parseGrid(piece.original ?? '') : null;
  if (!grid) return null;
  const key = [versionOf(piece), from, to, width, scale, numbered].join(' ');
  const known = recent.get(key);
  if (known) return ok(known);
  const layouts = await layoutsOf(db, piece.id);
  if (layouts.length === 0) return null;
  const space = (STAFF_AT_FULL_SIZE * scale) / 100 / SPACES;
  const lines = pageLines({ grid, layouts }, from, to, { width, space });
  if (lines.length === 0)
    return fail('paper-nothing-there', 'These bars lie on no page yet. In Read a line can be drawn over them.');
  const stored = await pagesById(
    db,
    lines.map((l) => l.page),
  );
  // One picture a page: lines that share it hand it over once.
  const pictures = new Map(
    stored.map(({ id, updatedAt, type, data }) => [id, { key: `${id} ${updatedAt}`, type, data }]),
  );
  const notes = typedNotes(score, from, to);
  const names = new Map(score.bars.map((b) => [b.id, b.name]));
  const wanted = lines.flatMap((line) => {
    const picture = pictures.get(line.page);
    return picture ? [{ line, picture, content: { notes, names: namesOver(line, names, numbered) } }] : [];
  });
  if (wanted.length < lines.length)
    return fail('page-gone', 'The picture of this page is not in this studio. Bring the page in again in Read.');
  const drawn = await cutLines(wanted);
  if (drawn.ok) recent.put(key, drawn.value);
  return drawn;
}
