import type { FoldedStanding } from '@/core/mastery';
import { standingKey } from '@/core/mastery';
import type { Level, Section, StoredWay } from '@/core/studio';
import { isSection, sectionLevel, type WalkedPlace } from '@/core/way';
import type { GridCell, GridColumn } from './grid';

/** The chunks and joins of each section, in the order of the way where there is one. */
export function chunksBySection(
  places: readonly Section[],
  ways: readonly StoredWay[],
): ReadonlyMap<string, readonly Section[]> {
  const order = new Map((ways.find((w) => w.studentId === null)?.steps ?? []).map((s, i) => [s.sectionId, i] as const));
  const inOrder = [...places].sort((a, b) => (order.get(a.id) ?? Infinity) - (order.get(b.id) ?? Infinity));
  const out = new Map<string, Section[]>();
  for (const row of inOrder) {
    if (isSection(row) || row.parentId === null || !order.has(row.id)) continue;
    const list = out.get(row.parentId);
    if (list) list.push(row);
    else out.set(row.parentId, [row]);
  }
  return out;
}

/** Sections as columns; those that are opened are followed by their chunks. */
export const columnsOf = (
  sections: readonly Section[],
  chunks: ReadonlyMap<string, readonly Section[]>,
  opened: ReadonlySet<string>,
): readonly GridColumn[] =>
  sections.flatMap((s): readonly GridColumn[] => {
    const inside = chunks.get(s.id) ?? [];
    const isOpen = opened.has(s.id);
    return [
      {
        id: s.id,
        head: s.letter || s.name,
        under: s.letter ? s.name : '',
        ...(inside.length > 0 ? { opens: isOpen ? ('close' as const) : ('open' as const) } : {}),
      },
      ...(isOpen
        ? inside.map((c): GridColumn => ({
            id: c.id,
            head: c.name.replace(/^bars? /, '').replace(' into ', ' → '),
            under: '',
            isChunk: true,
          }))
        : []),
    ];
  });

/** A section that was not heard as a whole stands where its chunks do, once all were heard. */
export function withChunks(
  cell: GridCell,
  section: Section,
  studentId: string,
  chunks: readonly Section[],
  standings: ReadonlyMap<string, FoldedStanding>,
): GridCell {
  if (chunks.length === 0) return cell;
  const known = new Map<string, Level | null>(
    chunks.map((c) => [c.id, standings.get(standingKey(studentId, c.id))?.level ?? null] as const),
  );
  const places = chunks.map((c): WalkedPlace => ({
    section: c,
    from: 0,
    to: 0,
    inside: section.id,
    why: '',
    aside: null,
    deviates: false,
  }));
  const whole = standings.get(standingKey(studentId, section.id));
  const of = sectionLevel(whole, places, known);
  if (of.from === 'whole' || of.from === 'nothing') return cell;
  const heard = `${of.heard} of ${of.of} chunks and joins heard`;
  return of.level === null
    ? { ...cell, says: heard, part: `${of.heard}/${of.of}` }
    : {
        ...cell,
        level: of.level,
        says: `level ${of.level}, the weakest of its chunks and joins; the whole was not heard yet`,
      };
}
