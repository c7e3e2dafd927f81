import { contentHash } from './content-hash';
import type { Stamp } from './clock';
import type { StudioEvent } from './kinds/records';
import { contentText, mergeRows, sameContent, type FieldConflict, type MergeableRow } from './merge-rows';
import {
  removalId,
  ROW_TABLES,
  type AnyRow,
  type Damaged,
  type Removal,
  type RowTable,
  type SetAside,
  type Studio,
} from './schemas';

/** A row with when it was last taken away, if ever. It is there when it changed after that. */
export interface KeptRow {
  readonly row: MergeableRow;
  readonly removedAt: Stamp | null;
}

/** What two devices did apart from one another to one thing. */
export type Conflict =
  | ({ readonly kind: 'field'; readonly table: RowTable } & FieldConflict)
  /** Taken away on one device, changed later on the other: it stays. */
  | { readonly kind: 'kept'; readonly table: RowTable; readonly id: string }
  /** Two records under one id: the other one is kept aside. */
  | { readonly kind: 'record'; readonly id: string };

/** What each browser has for itself: differing there is no conflict. */
const OF_ONE_BROWSER: ReadonlySet<string> = new Set(['settings lastBackupAt']);

export const isThere = ({ row, removedAt }: KeptRow): boolean => removedAt === null || row.updatedAt > removedAt;

/**
 * One thing as two devices have it, as one.
 *
 * @example
 * mergeKept('sections', { row: section('a', 0, 3), removedAt: null }, { row: section('a', 0, 3),
 *   removedAt: '2027' }).kept.removedAt // → '2027'
 */
export function mergeKept(
  table: RowTable,
  a: KeptRow,
  b: KeptRow,
): { readonly kept: KeptRow; readonly conflicts: readonly Conflict[] } {
  const { row, conflicts } = mergeRows(a.row, b.row);
  const removedAt =
    a.removedAt === null ? b.removedAt : b.removedAt === null || a.removedAt > b.removedAt ? a.removedAt : b.removedAt;
  const kept: KeptRow = { row, removedAt };
  if (!isThere(kept)) return { kept, conflicts: [] };
  const bothThere = isThere(a) && isThere(b);
  return {
    kept,
    conflicts: bothThere
      ? conflicts.filter((c) => !OF_ONE_BROWSER.has(`${table} ${c.field}`)).map((c) => ({ kind: 'field', table, ...c }))
      : [{ kind: 'kept', table, id: row.id }],
  };
}

/** The record that stands of two under one id: the later one, then the later text. */
export const standingRecord = (a: StudioEvent, b: StudioEvent): StudioEvent =>
  a.at !== b.at ? (a.at > b.at ? a : b) : contentText(a) >= contentText(b) ? a : b;

/** How a record that another stands in front of is kept. */
export const setAside = (record: StudioEvent): SetAside => ({ id: `${record.id} ${contentHash(record)}`, record });

/**
 * Two records under one id: which stands, and what is set aside. The same one twice leaves nothing aside.
 *
 * @example mergeRecords(practised('2026-05-20', 10), practised('2026-05-20', 15)).stands.minutes // → 15
 */
export function mergeRecords(
  a: StudioEvent,
  b: StudioEvent,
): { readonly stands: StudioEvent; readonly aside: SetAside | null } {
  if (sameContent(a, b)) return { stands: a, aside: null };
  const stands = standingRecord(a, b);
  return { stands, aside: setAside(stands === a ? b : a) };
}

const isRow = (row: unknown): row is MergeableRow =>
  typeof row === 'object' && row !== null && 'id' in row && 'updatedAt' in row;

/**
 * Rows of one table, there or taken away, by id; doubles within it are merged.
 *
 * @example keptRows('sections', [section('a', 0, 3)], []).get('a').removedAt // → null
 */
export function keptRows(
  table: RowTable,
  rows: readonly MergeableRow[],
  removals: readonly Removal[],
): Map<string, KeptRow> {
  const kept = new Map<string, KeptRow>();
  for (const row of rows) {
    const there = kept.get(row.id);
    kept.set(row.id, there ? mergeKept(table, there, { row, removedAt: null }).kept : { row, removedAt: null });
  }
  for (const removal of removals) {
    if (removal.table !== table) continue;
    const rowId = removal.id.slice(table.length + 1);
    const there = kept.get(rowId);
    if (isRow(removal.row)) {
      const gone = { row: removal.row, removedAt: removal.at };
      kept.set(rowId, there ? mergeKept(table, there, gone).kept : gone);
    } else if (there)
      kept.set(rowId, {
        ...there,
        removedAt: there.removedAt !== null && there.removedAt > removal.at ? there.removedAt : removal.at,
      });
  }
  return kept;
}

/**
 * A kept row as the tables hold it: the row where it is there, and its removal where it ever had one.
 *
 * @example asStored('sections', { row: { id: 'a', updatedAt: '1' }, removedAt: '2' }).row // → null
 */
export function asStored(
  table: RowTable,
  { row, removedAt }: KeptRow,
): { readonly row: AnyRow | null; readonly removal: Removal | null } {
  const there = isThere({ row, removedAt });
  return {
    row: there ? (row as unknown as AnyRow) : null,
    removal:
      removedAt === null ? null : { id: removalId(table, row.id), table, at: removedAt, row: there ? null : row },
  };
}

/**
 * In the order of their ids.
 *
 * @example byId([{ id: 'b' }, { id: 'a' }]).map((x) => x.id) // → ['a', 'b']
 */
export const byId = <T extends { readonly id: string }>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
const unionById = <T extends { readonly id: string }>(...lists: readonly (readonly T[])[]): T[] =>
  byId([...new Map(lists.flat().map((entry) => [entry.id, entry])).values()]);

/** Records of several lists as one, and those set aside. */
export function joinRecords(...lists: readonly (readonly StudioEvent[])[]): {
  readonly events: readonly StudioEvent[];
  readonly aside: readonly SetAside[];
} {
  const events = new Map<string, StudioEvent>();
  const aside: SetAside[] = [];
  for (const list of lists)
    for (const event of list) {
      const there = events.get(event.id);
      const merged = there ? mergeRecords(there, event) : { stands: event, aside: null };
      events.set(event.id, merged.stands);
      if (merged.aside) aside.push(merged.aside);
    }
  return { events: byId([...events.values()]), aside };
}

/**
 * Two studios as one: rows field by field, records joined, removals by their time. The order, the grouping and
 * repetition do not matter. Lists come sorted by id.
 *
 * @example
 * mergeStudios(emptyStudio(), { ...emptyStudio(), students: [student('s')] }).studio.students.map((x) => x.id)
 * // → ['s']
 */
export function mergeStudios(
  a: Studio,
  b: Studio,
): { readonly studio: Studio; readonly conflicts: readonly Conflict[] } {
  const conflicts: Conflict[] = [];
  const removed: Removal[] = [];
  const tables = Object.fromEntries(
    ROW_TABLES.map((table) => {
      const here = keptRows(table, a[table], a.removed);
      for (const [id, there] of keptRows(table, b[table], b.removed)) {
        const mine = here.get(id);
        const merged = mine ? mergeKept(table, mine, there) : { kept: there, conflicts: [] };
        conflicts.push(...merged.conflicts);
        here.set(id, merged.kept);
      }
      const stored = [...here.values()].map((kept) => asStored(table, kept));
      removed.push(...stored.flatMap((s) => s.removal ?? []));
      return [table, byId(stored.flatMap((s) => s.row ?? []))];
    }),
  );
  const records = joinRecords(a.events, b.events);
  conflicts.push(
    ...records.aside
      .filter((s) => !a.aside.some((x) => x.id === s.id) && !b.aside.some((x) => x.id === s.id))
      .map((s) => ({ kind: 'record' as const, id: s.record.id })),
  );
  const stands = new Set(records.events.map((e) => setAside(e).id));
  // What another device set aside may be what stands here: then it is no longer aside.
  const aside = unionById(a.aside, b.aside, records.aside).filter((s) => !stands.has(s.id));
  const damaged: Damaged[] = unionById(a.damaged, b.damaged);
  return {
    studio: {
      ...(tables as unknown as Pick<Studio, RowTable>),
      events: [...records.events],
      removed: byId(removed),
      aside,
      damaged,
    },
    conflicts,
  };
}
