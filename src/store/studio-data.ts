import {
  madeRow,
  withTouched,
  stampAfter,
  type ComingRecords,
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
