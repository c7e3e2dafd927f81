import { withTouched, type MergeableRow, type StudioEvent } from '@/core/studio';
import type { Change, ChangeEntry, EditableTable, RowOf, StudioDatabase } from './database';
import { refold } from './standings';

/** How many changes can be taken back; older ones are forgotten, the data stay. */
export const UNDO_DEPTH = 500;

const ALL = ['pieces', 'sections', 'marks', 'ladders', 'templates', 'students', 'pages', 'settings', 'events', 'standings', 'changes'] as const;

async function writeRow(db: StudioDatabase, table: EditableTable, key: string, row: RowOf[EditableTable] | null): Promise<void> {
  if (row === null) await db.table(table).delete(key);
  else await db.table(table).put(row);
}

/** A row becoming another; `null` for a row that is new or goes away. Fields that change carry the time, for merging. */
export function rowChange<T extends EditableTable>(table: T, before: RowOf[T] | null, after: RowOf[T] | null): ChangeEntry {
  const key = (after ?? before)?.id ?? '';
  return { kind: 'row', table, key, before, after: after === null ? null : withTouched(before, after) } as ChangeEntry;
}

export const eventAdded = (event: StudioEvent): ChangeEntry => ({ kind: 'event', event });

/**
 * A change of a row laid over the row as it is stored now: what is on screen may be a moment behind, so only the fields that this change
 * is about are changed. Rows that came or went meanwhile are taken as the change has them.
 */
async function rebased(db: StudioDatabase, entry: ChangeEntry): Promise<ChangeEntry> {
  if (entry.kind === 'event' || entry.before === null || entry.after === null) return entry;
  const stored = (await db.table(entry.table).get(entry.key)) as Readonly<Record<string, unknown>> | undefined;
  if (!stored || JSON.stringify(stored) === JSON.stringify(entry.before)) return entry;
  const before = entry.before as unknown as Readonly<Record<string, unknown>>;
  const after = entry.after as unknown as Readonly<Record<string, unknown>>;
  const next: Record<string, unknown> = { ...stored };
  for (const field of new Set([...Object.keys(before), ...Object.keys(after)]))
    if (field !== 'touched' && JSON.stringify(before[field]) !== JSON.stringify(after[field])) next[field] = after[field];
  return { ...entry, before: stored, after: withTouched(stored as unknown as MergeableRow, next as unknown as MergeableRow) } as unknown as ChangeEntry;
}

/** Writes a change and remembers it, all or nothing. Whatever had been taken back before can no longer be brought back. */
export async function commitChange(db: StudioDatabase, label: string, entries: readonly ChangeEntry[], at: string): Promise<void> {
  if (entries.length === 0) return;
  await db.transaction(
    'rw',
    ALL.map((t) => db.table(t)),
    async () => {
      const written: ChangeEntry[] = [];
      for (const wanted of entries) {
        const entry = await rebased(db, wanted);
        written.push(entry);
        if (entry.kind === 'event') await db.events.put(entry.event);
        else await writeRow(db, entry.table, entry.key, entry.after);
      }
      await refold(
        db,
        entries.flatMap((e) => (e.kind === 'event' ? [e.event] : [])),
      );
      await db.changes.where('undone').equals(1).delete();
      await db.changes.add({ at, label, entries: written, undone: 0 });
      const count = await db.changes.count();
      if (count > UNDO_DEPTH) {
        const oldest = await db.changes
          .orderBy('seq')
          .limit(count - UNDO_DEPTH)
          .primaryKeys();
        await db.changes.bulkDelete(oldest);
      }
    },
  );
}

type Way = 'undo' | 'redo';

async function step(db: StudioDatabase, way: Way, at: string, newId: () => string): Promise<string | null> {
  return db.transaction(
    'rw',
    ALL.map((t) => db.table(t)),
    async () => {
      // Among equal `undone` the index is in order of `seq`.
      const candidates = db.changes.where('undone').equals(way === 'undo' ? 0 : 1);
      const change: Change | undefined = way === 'undo' ? await candidates.last() : await candidates.first();
      if (!change?.seq) return null;
      const entries = way === 'undo' ? [...change.entries].reverse() : change.entries;
      const words: StudioEvent[] = [];
      for (const entry of entries) {
        if (entry.kind === 'event') {
          const word: StudioEvent = { id: newId(), at, kind: way === 'undo' ? 'retract' : 'restore', target: entry.event.id };
          await db.events.put(word);
          words.push(word);
        } else await writeRow(db, entry.table, entry.key, way === 'undo' ? entry.before : entry.after);
      }
      await refold(db, words);
      await db.changes.update(change.seq, { undone: way === 'undo' ? 1 : 0 });
      return change.label;
    },
  );
}

/** Takes back the latest change, across reloads; records are retracted by an event, never removed. Returns its label, or null. */
export const undoChange = (db: StudioDatabase, at: string, newId: () => string): Promise<string | null> => step(db, 'undo', at, newId);

/** Brings back what was taken back last. */
export const redoChange = (db: StudioDatabase, at: string, newId: () => string): Promise<string | null> => step(db, 'redo', at, newId);

/** A row as it is stored now, for a change that builds on one just made: what is on screen may be a moment behind. */
export const storedRow = async <T extends EditableTable>(db: StudioDatabase, table: T, id: string): Promise<RowOf[T] | null> =>
  ((await db.table(table).get(id)) as RowOf[T] | undefined) ?? null;
