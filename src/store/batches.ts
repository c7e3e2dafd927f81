/** What came with one file, put in as one step and taken back as one. */
import {
  changedFields,
  placeKey,
  recordsByPlace,
  ROW_TABLES,
  sameContent,
  withFields,
  type ComingRecords,
  type Conflict,
  type MergeableRow,
  type RecordPlace,
  type RowTable,
  type Studio,
  type StudioEvent,
} from '@/core/studio';
import type { Arrival, ArrivedRow, KeptState, StudioDatabase } from './database';
import { recordsById } from './find-records';
import { mergeRecordsIn } from './merge-records-in';
import { mergeRowsIn, statesOf, storeKept } from './merge-rows-in';
import { dropVolumes, putVolumes, replaceRecord, takeOutRecords } from './volumes';
import { foldWorks, worksOf } from './works';

/** What bringing a studio in came to. */
export interface Merged {
  readonly conflicts: readonly Conflict[];
  readonly newRecords: number;
}

/** How far it is, 0 to 1, and what is being done. */
export type Told = (share: number, doing: 'storing' | 'counting') => void;
const toNobody: Told = () => undefined;

async function nextBatch(db: StudioDatabase): Promise<number> {
  const last = await db.arrivals.orderBy('batch').last();
  return (last?.batch ?? 0) + 1;
}

/**
 * Puts a studio in, inside a transaction; nothing that is there goes away. Its records are those of `records`, where
 * they are given by themselves. Gives the number under which it can be taken back.
 */
export async function putBatch(
  db: StudioDatabase,
  studio: Studio,
  records: ComingRecords = recordsByPlace(studio.events),
  told: Told = toNobody,
): Promise<{ readonly batch: number; readonly merged: Merged }> {
  const batch = await nextBatch(db);
  const conflicts: Conflict[] = [];
  for (const table of ROW_TABLES) await mergeRowsIn(db, table, studio, batch, conflicts);
  const { fresh, works } = await mergeRecordsIn(db, records, batch, conflicts, (share) => told(share, 'storing'));
  await db.aside.bulkPut([...studio.aside]);
  await db.damaged.bulkPut([...studio.damaged]);
  await foldWorks(db, works, (share) => told(share, 'counting'));
  return { batch, merged: { conflicts, newRecords: fresh } };
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

const arrivalsOf = async (db: StudioDatabase, batch: number): Promise<Arrival[]> =>
  db.arrivals.where('batch').equals(batch).toArray();

const NOTHING: KeptState = { row: null, removal: null };

/**
 * Rows as they stand on the other side of a batch, with what was written beside that since. Gives them as they came:
 * of one that was new here that is how it stood until now.
 */
async function turnRows(
  db: StudioDatabase,
  table: RowTable,
  rows: readonly ArrivedRow[],
  way: 'back' | 'again',
): Promise<readonly ArrivedRow[]> {
  const keys = rows.map((r) => r.key);
  const current = await statesOf(db, table, keys);
  const kept = rows.map((r, i) => ({ ...r, after: r.after ?? current[i] ?? NOTHING }));
  await storeKept(
    db,
    table,
    kept.map(({ key, before, after }, i) => {
      const over = current[i] ?? NOTHING;
      return { key, over, ...(way === 'back' ? asBefore(over, after, before) : asBefore(over, before, after)) };
    }),
  );
  return kept;
}

/** Works that are to be folded anew when records went or came. */
class Touched {
  private readonly works = new Map<string, RecordPlace>();
  constructor(private readonly db: StudioDatabase) {}

  /** While the records are there. */
  async by(records: readonly StudioEvent[]): Promise<void> {
    for (const work of await worksOf(this.db, records)) this.works.set(placeKey(work), work);
  }

  async foldAnew(told: Told): Promise<void> {
    await foldWorks(this.db, [...this.works.values()], (share) => told(share, 'counting'));
  }
}

/**
 * Takes back what came with a file: rows are as they were, its records are kept beside until it is brought back or
 * forgotten.
 */
export async function takeBackBatch(db: StudioDatabase, batch: number, told: Told = toNobody): Promise<void> {
  const touched = new Touched(db);
  const arrivals = (await arrivalsOf(db, batch)).reverse();
  for (const [i, arrival] of arrivals.entries()) {
    switch (arrival.kind) {
      case 'row':
        await turnRows(db, arrival.table, [arrival], 'back');
        break;
      case 'rows':
        await db.arrivals.put({ ...arrival, rows: await turnRows(db, arrival.table, arrival.rows, 'back') });
        break;
      case 'replaced':
        await touched.by([arrival.after]);
        await replaceRecord(db, arrival.before);
        await touched.by([arrival.before]);
        break;
      case 'volume': {
        const volume = await db.volumes.get(arrival.volumeId);
        if (!volume) break;
        await touched.by(volume.records);
        await dropVolumes(db, [volume.id]);
        await db.arrivals.put({ ...arrival, volume });
        break;
      }
      case 'records': {
        await touched.by(await recordsById(db, arrival.ids));
        const events = await takeOutRecords(db, arrival.ids);
        await db.arrivals.put({ ...arrival, events });
        break;
      }
    }
    told((i + 1) / arrivals.length, 'storing');
  }
  await touched.foldAnew(told);
}

/** Brings back what came with a file and was taken back. */
export async function bringBackBatch(db: StudioDatabase, batch: number, told: Told = toNobody): Promise<void> {
  const touched = new Touched(db);
  const arrivals = await arrivalsOf(db, batch);
  for (const [i, arrival] of arrivals.entries()) {
    switch (arrival.kind) {
      case 'row':
        await turnRows(db, arrival.table, [arrival], 'again');
        break;
      case 'rows':
        await turnRows(db, arrival.table, arrival.rows, 'again');
        break;
      case 'replaced':
        await touched.by([arrival.before]);
        await replaceRecord(db, arrival.after);
        await touched.by([arrival.after]);
        break;
      case 'volume': {
        const { volume, ...rest } = arrival;
        if (!volume) break;
        await putVolumes(db, [volume]);
        await touched.by(volume.records);
        await db.arrivals.put(rest);
        break;
      }
      case 'records': {
        const { events = [], ...rest } = arrival;
        await db.events.bulkPut([...events]);
        await touched.by(events);
        await db.arrivals.put(rest);
        break;
      }
    }
    told((i + 1) / arrivals.length, 'storing');
  }
  await touched.foldAnew(told);
}
