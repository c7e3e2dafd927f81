/** A whole studio as tests look at it. */
import type { FoldedStanding } from '@/core/mastery';
import {
  asDamaged,
  byId,
  checkRow,
  eventSchema,
  parseRow,
  removalSchema,
  ROW_TABLES,
  setAsideSchema,
  StudioFileReader,
  type ComingStudio,
  type Damaged,
  type RowTable,
  type Studio,
  type StudioEvent,
} from '@/core/studio';
import type { StudioDatabase } from './database';
import { saveStudio } from './save-studio';

/** Every record, loose or bound, once. */
export async function everyRecord(db: StudioDatabase): Promise<readonly StudioEvent[]> {
  const bound = (await db.volumes.toArray()).flatMap((v) => v.records);
  return [...new Map([...bound, ...(await db.events.toArray())].map((r) => [r.id, r])).values()];
}

/**
 * Everything that is kept in a studio, by id, read from its tables themselves. Rows that do not hold what they should
 * come among the damaged ones, as they are.
 */
export async function readStudio(db: StudioDatabase): Promise<Studio> {
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
  const loose = await sound('events', (row) => checkRow(eventSchema, row));
  const bound = (await db.volumes.toArray()).flatMap((v) => v.records);
  const records = new Map([...bound, ...loose].map((r) => [r.id, r]));
  const tables: Record<string, unknown> = {};
  for (const table of ROW_TABLES) tables[table] = byId(await sound(table, (row) => parseRow(table, row)));
  return {
    ...(tables as unknown as Pick<Studio, RowTable>),
    events: byId([...records.values()]),
    removed: byId(await sound('removed', (row) => checkRow(removalSchema, row))),
    aside: byId(await sound('aside', (row) => checkRow(setAsideSchema, row))),
    damaged: byId([...new Map(damaged.map((d) => [d.id, d])).values()]),
  };
}

/** Every standing, by its key. */
export const everyStanding = async (db: StudioDatabase): Promise<readonly FoldedStanding[]> =>
  (await db.works.toArray()).flatMap((w) => w.standings).sort((a, b) => (a.key < b.key ? -1 : 1));

/** The studio file as it is saved. */
export async function savedText(db: StudioDatabase, now: string): Promise<string> {
  let text = '';
  await saveStudio(
    db,
    now,
    (more) => {
      text += more;
      return Promise.resolve();
    },
    () => undefined,
  );
  return text;
}

/** A studio file as it is read, in portions of a length. */
export function readInPortions(text: string, length: number): ComingStudio {
  const reader = new StudioFileReader('file', 'UTC');
  for (let at = 0; at < text.length; at += length) {
    const taken = reader.write(text.slice(at, at + length));
    if (!taken.ok) throw new Error(taken.issue.message);
  }
  const read = reader.end();
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
}
