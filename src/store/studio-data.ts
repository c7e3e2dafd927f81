import type { Table } from 'dexie';
import { studioSchema, type Studio } from '@/core/studio';
import type { StudioDatabase } from './database';

/** Everything that is kept in a studio, in a stable order (by id), without caches and undo. */
export async function readStudio(db: StudioDatabase): Promise<Studio> {
  const sorted = async <T extends { readonly id: string }>(rows: Promise<T[]>): Promise<T[]> => (await rows).sort((a, b) => (a.id < b.id ? -1 : 1));
  return db.transaction('r', [db.pieces, db.sections, db.marks, db.ladders, db.students, db.events, db.pages, db.settings], async () =>
    studioSchema.parse({
      pieces: await sorted(db.pieces.toArray()),
      sections: await sorted(db.sections.toArray()),
      marks: await sorted(db.marks.toArray()),
      ladders: await sorted(db.ladders.toArray()),
      students: await sorted(db.students.toArray()),
      events: await sorted(db.events.toArray()),
      pages: await sorted(db.pages.toArray()),
      settings: await db.settings.toArray(),
    }),
  );
}

/** How many pieces, students and records a studio holds. */
export async function countStudio(db: StudioDatabase): Promise<{ pieces: number; students: number; events: number }> {
  return { pieces: await db.pieces.count(), students: await db.students.count(), events: await db.events.count() };
}

/** Puts a whole studio into the database in one transaction; rows with the same id are replaced by the newer of the two, events are joined. */
export async function putStudio(db: StudioDatabase, studio: Studio): Promise<void> {
  await db.transaction('rw', [db.pieces, db.sections, db.marks, db.ladders, db.students, db.events, db.pages, db.settings, db.changes], async () => {
    const newer = async <T extends { readonly id: string; readonly updatedAt: string }>(table: Table<T, string>, rows: readonly T[]): Promise<void> => {
      for (const row of rows) {
        const here = await table.get(row.id);
        if (!here || here.updatedAt <= row.updatedAt) await table.put(row);
      }
    };
    await newer(db.pieces, studio.pieces);
    await newer(db.sections, studio.sections);
    await newer(db.marks, studio.marks);
    await newer(db.ladders, studio.ladders);
    await newer(db.students, studio.students);
    await newer(db.pages, studio.pages);
    await newer(db.settings, studio.settings);
    await db.events.bulkPut([...studio.events]);
    await db.changes.clear();
  });
}
