import {
  asStored,
  keptRows,
  mergeKept,
  removalId,
  sameContent,
  type AnyRow,
  type Conflict,
  type KeptRow,
  type MergeableRow,
  type Removal,
  type RowTable,
  type Studio,
} from '@/core/studio';
import type { ArrivedRow, KeptState, StudioDatabase } from './database';

/** Rows in one arrival, and in one reading. */
const ROWS_AT_A_TIME = 500;

export const inParts = <T>(list: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(list.length / size) }, (_, i) => list.slice(i * size, (i + 1) * size));

/** A row as it is to be stored, over what is. */
export interface Written extends KeptState {
  readonly key: string;
  readonly over: KeptState;
}

/** Rows and removals as they are to be, written together. */
export async function storeKept(db: StudioDatabase, table: RowTable, states: readonly Written[]): Promise<void> {
  const rows = states.flatMap((s) => (s.row ? [s.row] : []));
  const removals = states.flatMap((s) => s.removal ?? []);
  const gone = states.flatMap((s) => (s.row === null && s.over.row !== null ? [s.key] : []));
  const back = states.flatMap((s) => (s.removal === null && s.over.removal ? [removalId(table, s.key)] : []));
  await db.table(table).bulkPut(rows);
  if (gone.length > 0) await db.table(table).bulkDelete(gone);
  if (removals.length > 0) await db.removed.bulkPut(removals);
  if (back.length > 0) await db.removed.bulkDelete(back);
}

/** Rows of these ids as the tables hold them. */
export async function statesOf(
  db: StudioDatabase,
  table: RowTable,
  ids: readonly string[],
): Promise<readonly KeptState[]> {
  const rows = (await db.table(table).bulkGet([...ids])) as (AnyRow | undefined)[];
  const removals: (Removal | undefined)[] = await db.removed.bulkGet(ids.map((id) => removalId(table, id)));
  return ids.map((_, i) => ({ row: rows[i] ?? null, removal: removals[i] ?? null }));
}

async function mergePart(
  db: StudioDatabase,
  table: RowTable,
  coming: readonly (readonly [string, KeptRow])[],
  conflicts: Conflict[],
): Promise<readonly ArrivedRow[]> {
  const states = await statesOf(
    db,
    table,
    coming.map(([id]) => id),
  );
  const here = keptRows(
    table,
    states.flatMap((s) => (s.row ? [s.row as MergeableRow] : [])),
    states.flatMap((s) => s.removal ?? []),
  );
  const arrived: ArrivedRow[] = [];
  const written: Written[] = [];
  for (const [i, [key, there]] of coming.entries()) {
    const mine = here.get(key);
    const merged = mine ? mergeKept(table, mine, there) : { kept: there, conflicts: [] };
    conflicts.push(...merged.conflicts);
    const before = states[i] ?? { row: null, removal: null };
    const after: KeptState = asStored(table, merged.kept);
    const isNew = before.row === null && before.removal === null;
    if (!isNew && sameContent(before, after)) continue;
    written.push({ key, over: before, ...after });
    arrived.push({ key, before, after: isNew ? null : after });
  }
  await storeKept(db, table, written);
  return arrived;
}

/** Rows of one table merged with those that are here; what changed is kept as having arrived with the batch. */
export async function mergeRowsIn(
  db: StudioDatabase,
  table: RowTable,
  studio: Studio,
  batch: number,
  conflicts: Conflict[],
): Promise<void> {
  const coming = [...keptRows(table, studio[table], studio.removed)];
  for (const part of inParts(coming, ROWS_AT_A_TIME)) {
    const rows = await mergePart(db, table, part, conflicts);
    if (rows.length > 0) await db.arrivals.add({ batch, kind: 'rows', table, rows });
  }
}
