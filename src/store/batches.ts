/** What came with one file, put in as one step and taken back as one. */
import {
  asStored,
  changedFields,
  keptRows,
  mergeKept,
  mergeRecords,
  removalId,
  ROW_TABLES,
  sameContent,
  withFields,
  type Conflict,
  type MergeableRow,
  type Removal,
  type RowTable,
  type SetAside,
  type Studio,
  type StudioEvent,
} from '@/core/studio';
import type { Arrival, KeptState, StudioDatabase } from './database';
import { refold, refoldAll } from './standings';

/** More records than these are folded all at once. */
const MANY_RECORDS = 100;
/** Ids in one arrival. */
const IDS_AT_A_TIME = 5000;

/** What bringing a studio in came to. */
export interface Merged {
  readonly conflicts: readonly Conflict[];
  readonly newRecords: number;
}

const inParts = <T>(list: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(list.length / IDS_AT_A_TIME) }, (_, i) =>
    list.slice(i * IDS_AT_A_TIME, (i + 1) * IDS_AT_A_TIME),
  );

async function storeKept(db: StudioDatabase, table: RowTable, id: string, { row, removal }: KeptState): Promise<void> {
  if (row) await db.table(table).put(row);
  else await db.table(table).delete(id);
  if (removal) await db.removed.put(removal);
  else await db.removed.delete(removalId(table, id));
}

/** Rows of one table merged with those that are here; what changed is an arrival each. */
async function mergeTable(
  db: StudioDatabase,
  table: RowTable,
  studio: Studio,
  batch: number,
  conflicts: Conflict[],
): Promise<void> {
  const coming = keptRows(table, studio[table], studio.removed);
  const ids = [...coming.keys()];
  if (ids.length === 0) return;
  const rows = (await db.table(table).bulkGet(ids)) as (MergeableRow | undefined)[];
  const removals = await db.removed.bulkGet(ids.map((id) => removalId(table, id)));
  const here = keptRows(
    table,
    rows.flatMap((r) => r ?? []),
    removals.flatMap((r) => r ?? []),
  );
  const arrivals: Arrival[] = [];
  for (const [i, id] of ids.entries()) {
    const there = coming.get(id);
    if (!there) continue;
    const mine = here.get(id);
    const merged = mine ? mergeKept(table, mine, there) : { kept: there, conflicts: [] };
    conflicts.push(...merged.conflicts);
    const before: KeptState = { row: rows[i] ?? null, removal: removals[i] ?? null };
    const after: KeptState = asStored(table, merged.kept);
    if (JSON.stringify(before) === JSON.stringify(after)) continue;
    await storeKept(db, table, id, after);
    arrivals.push({ batch, kind: 'row', table, key: id, before, after });
  }
  await db.arrivals.bulkAdd(arrivals);
}

/** Records joined with those that are here. */
async function mergeEvents(
  db: StudioDatabase,
  coming: readonly StudioEvent[],
  batch: number,
  conflicts: Conflict[],
): Promise<StudioEvent[]> {
  const fresh: StudioEvent[] = [];
  const aside: SetAside[] = [];
  for (const part of inParts(coming)) {
    const here = await db.events.bulkGet(part.map((e) => e.id));
    for (const [i, event] of part.entries()) {
      const mine = here[i];
      if (!mine) {
        fresh.push(event);
        continue;
      }
      const merged = mergeRecords(mine, event);
      if (!merged.aside) continue;
      conflicts.push({ kind: 'record', id: event.id });
      aside.push(merged.aside);
      if (merged.stands === mine) continue;
      await db.events.put(merged.stands);
      await db.arrivals.add({ batch, kind: 'replaced', before: mine, after: merged.stands });
    }
  }
  await db.aside.bulkPut(aside);
  for (const part of inParts(fresh)) {
    await db.events.bulkPut(part);
    await db.arrivals.add({ batch, kind: 'records', ids: part.map((e) => e.id) });
  }
  return fresh;
}

async function nextBatch(db: StudioDatabase): Promise<number> {
  const last = await db.arrivals.orderBy('batch').last();
  return (last?.batch ?? 0) + 1;
}

/**
 * Puts a studio in, inside a transaction; nothing that is there goes away. Gives the number under which it can be taken
 * back.
 */
export async function putBatch(
  db: StudioDatabase,
  studio: Studio,
): Promise<{ readonly batch: number; readonly merged: Merged }> {
  const batch = await nextBatch(db);
  const conflicts: Conflict[] = [];
  for (const table of ROW_TABLES) await mergeTable(db, table, studio, batch, conflicts);
  const fresh = await mergeEvents(db, studio.events, batch, conflicts);
  await db.aside.bulkPut([...studio.aside]);
  await db.damaged.bulkPut([...studio.damaged]);
  if (fresh.length > MANY_RECORDS || conflicts.some((c) => c.kind === 'record')) await refoldAll(db);
  else await refold(db, fresh);
  return { batch, merged: { conflicts, newRecords: fresh.length } };
}

/**
 * A row as it was before a file came, with what was written beside it since. Times of fields go back with it, that of
 * its making too: a field that has none of its own counts from then.
 */
function asBefore(current: KeptState, from: KeptState, to: KeptState): KeptState {
  if (!current.row || !from.row || !to.row || sameContent(current.row, from.row)) return to;
  const now = current.row as MergeableRow;
  const came = from.row as MergeableRow;
  const was = to.row as MergeableRow & Readonly<Record<string, unknown>>;
  const since = Object.entries(now.touched ?? {}).filter(([field, at]) => came.touched?.[field] !== at);
  const written = new Set(since.map(([field]) => field));
  const values = new Map(
    changedFields(from.row, to.row)
      .filter((field) => !written.has(field))
      .map((field) => [field, was[field]]),
  );
  const touched = { ...was.touched, ...Object.fromEntries(since) };
  return { row: { ...withFields(now, values), touched }, removal: to.removal };
}

async function stateOf(db: StudioDatabase, table: RowTable, id: string): Promise<KeptState> {
  const removal: Removal | null = (await db.removed.get(removalId(table, id))) ?? null;
  return { row: ((await db.table(table).get(id)) as object | undefined) ?? null, removal };
}

const arrivalsOf = async (db: StudioDatabase, batch: number): Promise<Arrival[]> =>
  db.arrivals.where('batch').equals(batch).toArray();

/** One row as it stands on the other side of a batch, with what was written beside it since. */
async function turnRow(
  db: StudioDatabase,
  { table, key }: Extract<Arrival, { kind: 'row' }>,
  from: KeptState,
  to: KeptState,
): Promise<void> {
  await storeKept(db, table, key, asBefore(await stateOf(db, table, key), from, to));
}

/**
 * Takes back what came with a file: rows are as they were, its records are kept beside until it is brought back or
 * forgotten.
 */
export async function takeBackBatch(db: StudioDatabase, batch: number): Promise<void> {
  for (const arrival of (await arrivalsOf(db, batch)).reverse()) {
    switch (arrival.kind) {
      case 'row':
        await turnRow(db, arrival, arrival.after, arrival.before);
        break;
      case 'replaced':
        await db.events.put(arrival.before);
        break;
      case 'records': {
        const events = (await db.events.bulkGet([...arrival.ids])).flatMap((e) => e ?? []);
        await db.events.bulkDelete([...arrival.ids]);
        await db.arrivals.put({ ...arrival, events });
        break;
      }
    }
  }
  await refoldAll(db);
}

/** Brings back what came with a file and was taken back. */
export async function bringBackBatch(db: StudioDatabase, batch: number): Promise<void> {
  for (const arrival of await arrivalsOf(db, batch)) {
    switch (arrival.kind) {
      case 'row':
        await turnRow(db, arrival, arrival.before, arrival.after);
        break;
      case 'replaced':
        await db.events.put(arrival.after);
        break;
      case 'records': {
        const { events = [], ...rest } = arrival;
        await db.events.bulkPut([...events]);
        await db.arrivals.put(rest);
        break;
      }
    }
  }
  await refoldAll(db);
}
