import type { StudioDatabase } from './database';

/** Engravings kept; the least recently used go first. */
const MOST_ENGRAVINGS = 200;

/**
 * A kept engraving, used at a time; null where there is none, or where the cache cannot be read: then the music is
 * drawn anew.
 */
export async function cachedEngraving(
  db: StudioDatabase,
  key: string,
  usedAt: number,
): Promise<readonly string[] | null> {
  try {
    const row = await db.engravings.get(key);
    // Nothing waits for this: where it cannot be noted, the engraving goes a little sooner.
    if (row) db.engravings.update(key, { usedAt }).catch(() => undefined);
    return row?.systems ?? null;
  } catch {
    return null;
  }
}

/** Keeps an engraving where there is room; a cache that cannot be written is no one's concern. */
export async function keepEngraving(
  db: StudioDatabase,
  key: string,
  systems: readonly string[],
  usedAt: number,
): Promise<void> {
  try {
    await db.engravings.put({ key, systems: [...systems], usedAt });
    const count = await db.engravings.count();
    if (count > MOST_ENGRAVINGS)
      await db.engravings.bulkDelete(
        await db.engravings
          .orderBy('usedAt')
          .limit(count - MOST_ENGRAVINGS)
          .primaryKeys(),
      );
  } catch {
    // No room for the cache: what is stored for good comes first.
  }
}
