/**
 * What is typed and not kept yet: at once, outside undo and the studio file, so that leaving or reloading loses
 * nothing.
 */
import type { StudioDatabase } from './database';

/** What could not be kept in the database stays here until the page is closed. */
const onlyHere = new WeakMap<StudioDatabase, Map<string, unknown>>();

function hereOf(db: StudioDatabase): Map<string, unknown> {
  const known = onlyHere.get(db);
  if (known) return known;
  const fresh = new Map<string, unknown>();
  onlyHere.set(db, fresh);
  return fresh;
}

/** What was typed and not kept under a key; undefined where nothing was, or where it cannot be read. */
export async function readDraft(db: StudioDatabase, key: string): Promise<unknown> {
  const here = hereOf(db);
  if (here.has(key)) return here.get(key);
  try {
    return (await db.drafts.get(key))?.value;
  } catch {
    return undefined;
  }
}

/**
 * Keeps what is being typed. A draft that cannot be written does no harm: it stays in this page, and storing the thing
 * itself says what is wrong.
 */
export function keepDraft(db: StudioDatabase, key: string, value: unknown, at: string): void {
  const here = hereOf(db);
  here.set(key, value);
  db.drafts.put({ key, value, at }).then(
    () => {
      if (here.get(key) === value) here.delete(key);
    },
    () => undefined,
  );
}

/** Forgets what was typed: it is stored, or given up. */
export function dropDraft(db: StudioDatabase, key: string): void {
  hereOf(db).delete(key);
  // One that cannot be forgotten is one too many, not one too few.
  db.drafts.delete(key).catch(() => undefined);
}
