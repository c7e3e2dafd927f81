import type { StudioDatabase } from './database';

/** Engravings kept; the least recently used go first. */
const MOST_ENGRAVINGS = 200;

export async function cachedEngraving(db: StudioDatabase, key: string): Promise<readonly string[] | null> {
  const row = await db.engravings.get(key);
  return row?.systems ?? null;
}

export async function keepEngraving(db: StudioDatabase, key: string, systems: readonly string[], usedAt: number): Promise<void> {
  await db.engravings.put({ key, systems: [...systems], usedAt });
  const count = await db.engravings.count();
  if (count > MOST_ENGRAVINGS)
    await db.engravings.bulkDelete(
      await db.engravings
        .orderBy('usedAt')
        .limit(count - MOST_ENGRAVINGS)
        .primaryKeys(),
    );
}
