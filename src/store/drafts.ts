/**
 * What is typed and not kept yet: at once, outside undo and the studio file, so that leaving or reloading loses
 * nothing.
 */
import type { StudioDatabase } from './database';

/** What was typed and not kept under a key; undefined where nothing was, or where it cannot be read. */
export async function readDraft(db: StudioDatabase, key: string): Promise<unknown> {
  try {
    return (await db.drafts.get(key))?.value;
  } catch {
    return undefined;
  }
}

/**
 * A draft that cannot be written does no harm: what is on screen stays there, and storing the thing itself says what is
 * wrong.
 */
const nobody = (): undefined => undefined;

/** Keeps what is being typed. */
export function keepDraft(db: StudioDatabase, key: string, value: unknown, at: string): void {
  db.drafts.put({ key, value, at }).catch(nobody);
}

/** Forgets what was typed: it is stored, or given up. */
export function dropDraft(db: StudioDatabase, key: string): void {
  db.drafts.delete(key).catch(nobody);
}
