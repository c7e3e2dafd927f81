import {
  asDamaged,
  byId,
  eventSchema,
  madeRow,
  parseRow,
  removalSchema,
  ROW_TABLES,
  setAsideSchema,
  whyNot,
  withTouched,
  stampAfter,
  type ComingRecords,
  type Damaged,
  type RowTable,
  type Settings,
  type Studio,
  type Zone,
} from '@/core/studio';
import { freshSettings } from '@/core/commands';
import { ok, type Result } from '@/core/result';
import { putBatch, type Merged, type Told } from './batches';
import { logChange } from './change-log';
import type { StudioDatabase } from './database';
import { countRecords } from './find-records';
import { storageProblem } from './stored-problem';
import { COMMAND_TABLES } from './tables';

const EVERYTHING = [...COMMAND_TABLES, 'aside', 'damaged', 'notices'] as const;
const all = (db: StudioDatabase) => EVERYTHING.map((t) => db.table(t));

/**
 * Everything that is kept in a studio, in a stable order (by id), without caches, drafts and undo. Rows that do not
 * hold what they should come among the damaged ones, as they are: a studio can always be read.
 */
export async function readStudio(db: StudioDatabase): Promise<Studio> {
  return db.transaction('r', all(db), async () => {
    const damaged: Damaged[] = await db.damaged.toArray();
    const sound = async <T>(
      name: string,
      check: (row: unknown) => { readonly row: T } | { readonly why: string },
    ): Promise<T[]> =>
      ((await db.table(name).toArray()) as unknown[]).flatMap((row) => {
        const checked = check(row);
        if ('row' in checked) return [checked.row];
        damaged.push(asDamaged(name, row, checked.why));
        return [];
      });
    const by =
      <T>(schema: {
        safeParse: (
          row: unknown,
        ) => { success: true; data: T } | { success: false; error: Parameters<typeof whyNot>[0] };
      }) =>
      (row: unknown): { readonly row: T } | { readonly why: string } => {
        const parsed = schema.safeParse(row);
        return parsed.success ? { row: parsed.data } : { why: whyNot(parsed.error) };
      };
    const isEvent = by(eventSchema);
    const loose = await sound('events', isEvent);
    const bound = (await db.volumes.toArray()).flatMap((v) => v.records);
    const records = new Map([...bound, ...loose].map((r) => [r.id, r]));
    const tables: Record<string, unknown> = {};
    for (const table of ROW_TABLES) tables[table] = byId(await sound(table, (row) => parseRow(table, row)));
    return {
      ...(tables as unknown as Pick<Studio, RowTable>),
      events: byId([...records.values()]),
      removed: byId(await sound('removed', by(removalSchema))),
      aside: byId(await sound('aside', by(setAsideSchema))),
      damaged: byId([...new Map(damaged.map((d) => [d.id, d])).values()]),
    };
  });
}

/** How many pieces, students and records a studio holds. */
export async function countStudio(
  db: StudioDatabase,
): Promise<{ pieces: number; students: number; events: number; damaged: number }> {
  return {
    pieces: await db.pieces.count(),
    students: await db.students.count(),
    events: await countRecords(db),
    damaged: await db.damaged.count(),
  };
}

/**
 * Puts a whole studio into the database in one transaction: rows with the same id are merged field by field, the newer
 * word stands; records are joined. Nothing that is there goes away, and the whole is one step that can be undone.
 */
export async function putStudio(
  db: StudioDatabase,
  studio: Studio,
  label: string,
  now: string,
  records?: ComingRecords,
  told?: Told,
): Promise<Result<Merged>> {
  try {
    return await db.transaction('rw', all(db), async () => {
      const { batch, merged } = await putBatch(db, studio, records, told);
      await logChange(db, { at: now, label, entries: [{ kind: 'batch', batch }] });
      return ok(merged);
    });
  } catch (error) {
    return storageProblem(error);
  }
}

/** Fills an empty database; there is nothing to merge and nothing to undo. */
export async function fillStudio(db: StudioDatabase, studio: Studio): Promise<void> {
  await db.transaction('rw', all(db), async () => {
    const { batch } = await putBatch(db, studio);
    await db.arrivals.where('batch').equals(batch).delete();
  });
}

/** Notes that a backup was saved; beside undo, which never takes it back. */
export async function noteBackup(db: StudioDatabase, now: string): Promise<void> {
  await db.transaction('rw', db.settings, async () => {
    const before = await db.settings.get('studio');
    const fresh: Settings = { ...freshSettings(), lastBackupAt: now, updatedAt: now };
    await db.settings.put(
      before ? withTouched(before, { ...before, lastBackupAt: now }, stampAfter(now, [before.updatedAt])) : fresh,
    );
  });
}

/** Keeps where the studio is, where that was not said yet. */
export async function noteZone(db: StudioDatabase, zone: Zone, now: string): Promise<void> {
  await db.transaction('rw', db.settings, async () => {
    const before = await db.settings.get('studio');
    if (before?.zone !== undefined) return;
    await db.settings.put(
      before
        ? withTouched(before, { ...before, zone }, stampAfter(now, [before.updatedAt]))
        : madeRow({ ...freshSettings(), zone }, now),
    );
  });
}
