/**
 * What was changed, so that it can be taken back and done again: each a new change of just the fields that differ, now.
 */
import { aboutRecord, changedFields, stampAfter, withFields, type RowTable, type StudioEvent } from '@/core/studio';
import { takeBackBatch, bringBackBatch, type Told } from './batches';
import { writeRows, type RowWish } from './write-rows';
import { COMMAND_TABLES } from './tables';
import type { Change, ChangeEntry, StudioDatabase } from './database';
import { wordsAbout } from './find-records';
import { refold } from './works';

/** How many changes can be taken back; older ones are forgotten, the data stay. */
export const UNDO_DEPTH = 500;

type Way = 'undo' | 'redo';
type RowEntry = Extract<ChangeEntry, { kind: 'row' }>;

/** Remembers a change; whatever had been taken back before can no longer be brought back. */
export async function logChange(db: StudioDatabase, change: Omit<Change, 'seq' | 'undone'>): Promise<void> {
  const forgotten = await db.changes.where('undone').equals(1).toArray();
  await db.changes.bulkDelete(forgotten.flatMap((c) => c.seq ?? []));
  await db.changes.add({ ...change, undone: 0 });
  const count = await db.changes.count();
  const oldest =
    count > UNDO_DEPTH
      ? await db.changes
          .orderBy('seq')
          .limit(count - UNDO_DEPTH)
          .toArray()
      : [];
  await db.changes.bulkDelete(oldest.flatMap((c) => c.seq ?? []));
  const batches = [...forgotten, ...oldest].flatMap((c) =>
    c.entries.flatMap((e) => (e.kind === 'batch' ? [e.batch] : [])),
  );
  if (batches.length > 0) await db.arrivals.where('batch').anyOf(batches).delete();
}

/** The row that takes an entry back, or does it again, over the row as it is stored now; null takes the row away. */
async function wishOf(db: StudioDatabase, entry: RowEntry, way: Way): Promise<RowWish | null> {
  const from = (way === 'undo' ? entry.after : entry.before) as Readonly<Record<string, unknown>> | null;
  const to = (way === 'undo' ? entry.before : entry.after) as Readonly<Record<string, unknown>> | null;
  const table: RowTable = entry.table;
  if (to === null) return { table, id: entry.key, row: null };
  const stored = (await db.table(table).get(entry.key)) as Readonly<Record<string, unknown>> | undefined;
  // A row that was changed is not there any more: another tab took it away, and that word is the later one.
  if (!stored) return from === null ? { table, id: entry.key, row: to } : null;
  const values = new Map(changedFields(from ?? {}, to).map((field) => [field, to[field]]));
  return { table, id: entry.key, row: withFields(stored, values) };
}

/** A word that takes a record back or lets it stand again, later than every word about it before. */
async function wordOn(
  db: StudioDatabase,
  record: StudioEvent,
  way: Way,
  now: string,
  newId: () => string,
): Promise<StudioEvent> {
  const before = (await wordsAbout(db, [record])).filter((w) => aboutRecord(w) === record.id);
  return {
    id: newId(),
    at: stampAfter(
      now,
      before.map((w) => w.at),
    ),
    kind: way === 'undo' ? 'retract' : 'restore',
    target: record.id,
  };
}

/** The change that the next step of a way is about. */
async function nextChange(db: StudioDatabase, way: Way): Promise<Change | undefined> {
  // Among equal `undone` the index is in order of `seq`.
  const candidates = db.changes.where('undone').equals(way === 'undo' ? 0 : 1);
  return way === 'undo' ? candidates.last() : candidates.first();
}

/** Whether the next step is about all that came with a file: more than a page should do by itself. */
export async function isStepLarge(db: StudioDatabase, way: Way): Promise<boolean> {
  return (await nextChange(db, way))?.entries.some((e) => e.kind === 'batch') ?? false;
}

async function step(
  db: StudioDatabase,
  way: Way,
  now: string,
  newId: () => string,
  told?: Told,
): Promise<string | null> {
  return db.transaction(
    'rw',
    [...COMMAND_TABLES, 'aside', 'damaged'].map((t) => db.table(t)),
    async () => {
      const change = await nextChange(db, way);
      if (!change?.seq) return null;
      const entries = way === 'undo' ? [...change.entries].reverse() : change.entries;
      const wishes: RowWish[] = [];
      const words: StudioEvent[] = [];
      for (const entry of entries) {
        switch (entry.kind) {
          case 'row': {
            const wish = await wishOf(db, entry, way);
            if (wish) wishes.push(wish);
            break;
          }
          case 'event':
            words.push(await wordOn(db, entry.event, way, now, newId));
            break;
          case 'batch':
            await (way === 'undo' ? takeBackBatch : bringBackBatch)(db, entry.batch, told);
            break;
        }
      }
      await writeRows(db, wishes, now);
      await db.events.bulkPut(words);
      await refold(db, words);
      await db.changes.update(change.seq, { undone: way === 'undo' ? 1 : 0 });
      return change.label;
    },
  );
}

/**
 * Takes back the latest change, across reloads; records are retracted by an event, never removed. Returns its label, or
 * null.
 */
export const undoChange = (db: StudioDatabase, now: string, newId: () => string, told?: Told): Promise<string | null> =>
  step(db, 'undo', now, newId, told);

/** Brings back what was taken back last. */
export const redoChange = (db: StudioDatabase, now: string, newId: () => string, told?: Told): Promise<string | null> =>
  step(db, 'redo', now, newId, told);
