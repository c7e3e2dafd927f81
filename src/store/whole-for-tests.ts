/** A whole studio as tests look at it. */
import type { FoldedStanding } from '@/core/mastery';
import { StudioFileReader, type ComingStudio, type StudioEvent } from '@/core/studio';
import type { StudioDatabase } from './database';
import { saveStudio } from './save-studio';

/** Every record, loose or bound, once. */
export async function everyRecord(db: StudioDatabase): Promise<readonly StudioEvent[]> {
  const bound = (await db.volumes.toArray()).flatMap((v) => v.records);
  return [...new Map([...bound, ...(await db.events.toArray())].map((r) => [r.id, r])).values()];
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
