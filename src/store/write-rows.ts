import {
  madeRow,
  removalId,
  stampAfter,
  withTouched,
  type MergeableRow,
  type Removal,
  type RowTable,
  type Stamp,
} from '@/core/studio';
import type { ChangeEntry, StudioDatabase } from './database';

/** A row as it is to be, without its times; null takes it away. */
export interface RowWish {
  readonly table: RowTable;
  readonly id: string;
  readonly row: object | null;
}

interface Standing {
  readonly row: MergeableRow | undefined;
  readonly removal: Removal | undefined;
}

const isRow = (row: unknown): row is MergeableRow => typeof row === 'object' && row !== null && 'updatedAt' in row;

/** The row as it is written: over what is stored, over what was taken away before, or new. */
function written(wish: object, { row, removal }: Standing, at: Stamp): MergeableRow {
  const bare = wish as MergeableRow;
  if (row) return withTouched(row, bare, at);
  if (removal && isRow(removal.row)) {
    // It comes back: what it held before is older than what it holds now, on every device.
    const back = withTouched(removal.row, bare, at);
    return { ...back, updatedAt: at };
  }
  return madeRow({ ...bare, touched: undefined }, at);
}

/**
 * Writes rows as they are to be, with their times: later than everything that is stored about them, even when the clock
 * was set back. A row that goes leaves its removal. Rows that are so already are not touched. Inside the transaction of
 * the change; gives its entries.
 */
export async function writeRows(db: StudioDatabase, wishes: readonly RowWish[], now: string): Promise<ChangeEntry[]> {
  const standing: Standing[] = [];
  for (const { table, id } of wishes)
    standing.push({
      row: (await db.table(table).get(id)) as MergeableRow | undefined,
      removal: await db.removed.get(removalId(table, id)),
    });
  const at = stampAfter(now, [
    ...standing.flatMap((s) => s.row?.updatedAt ?? []),
    ...standing.flatMap((s) => s.removal?.at ?? []),
  ]);
  const entries: ChangeEntry[] = [];
  const latest = new Map(wishes.map((w, i) => [removalId(w.table, w.id), standing[i]]));
  for (const { table, id, row } of wishes) {
    const key = removalId(table, id);
    const here = latest.get(key) ?? { row: undefined, removal: undefined };
    const before = here.row ?? null;
    if (row === null) {
      if (before === null) continue;
      const removal: Removal = { id: key, table, at, row: before };
      await db.table(table).delete(id);
      await db.removed.put(removal);
      latest.set(key, { row: undefined, removal });
      entries.push({ kind: 'row', table, key: id, before, after: null } as unknown as ChangeEntry);
      continue;
    }
    const after = written(row, here, at);
    if (after === before) continue;
    await db.table(table).put(after);
    const removal = here.removal ? { ...here.removal, row: null } : undefined;
    if (removal) await db.removed.put(removal);
    latest.set(key, { row: after, removal });
    entries.push({ kind: 'row', table, key: id, before, after } as unknown as ChangeEntry);
  }
  return entries;
}
