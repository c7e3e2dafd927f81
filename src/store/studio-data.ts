import type { Table } from 'dexie';
import { mergeRows, studioSchema, type FieldConflict, type MergeableRow, type Studio } from '@/core/studio';
import type { EditableTable, StudioDatabase } from './database';
import { refold, refoldAll } from './standings';

const ROWS = ['pieces', 'sections', 'marks', 'ladders', 'templates', 'students', 'pages', 'settings'] as const satisfies readonly EditableTable[];
/** More events than these are folded all at once. */
const MANY_EVENTS = 100;

const everything = (db: StudioDatabase): Table[] => [...ROWS.map((t) => db.table(t)), db.events, db.standings, db.changes];

/** Everything that is kept in a studio, in a stable order (by id), without caches and undo. */
export async function readStudio(db: StudioDatabase): Promise<Studio> {
  const sorted = async <T extends { readonly id: string }>(rows: Promise<T[]>): Promise<T[]> => (await rows).sort((a, b) => (a.id < b.id ? -1 : 1));
  return db.transaction('r', everything(db), async () =>
    studioSchema.parse({
      pieces: await sorted(db.pieces.toArray()),
      sections: await sorted(db.sections.toArray()),
      marks: await sorted(db.marks.toArray()),
      ladders: await sorted(db.ladders.toArray()),
      templates: await sorted(db.templates.toArray()),
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

/** What bringing a studio in came to: fields changed in both places to different values, by table. */
export interface Merged {
  readonly conflicts: readonly (FieldConflict & { readonly table: EditableTable })[];
}

/**
 * Puts a whole studio into the database in one transaction: rows with the same id are merged field by field, the newer word stands;
 * records are joined. Nothing that is there goes away.
 */
export async function putStudio(db: StudioDatabase, studio: Studio): Promise<Merged> {
  const conflicts: (FieldConflict & { readonly table: EditableTable })[] = [];
  await db.transaction('rw', everything(db), async () => {
    for (const name of ROWS) {
      const table = db.table(name) as Table<MergeableRow, string>;
      const rows: readonly MergeableRow[] = studio[name];
      const here = await table.bulkGet(rows.map((r) => r.id));
      await table.bulkPut(
        rows.map((row, i) => {
          const there = here[i];
          if (!there) return row;
          const merged = mergeRows(there, row);
          conflicts.push(...merged.conflicts.map((c) => ({ ...c, table: name })));
          return merged.row;
        }),
      );
    }
    await db.events.bulkPut([...studio.events]);
    if (studio.events.length > MANY_EVENTS) await refoldAll(db);
    else await refold(db, studio.events);
    await db.changes.clear();
  });
  return { conflicts };
}
