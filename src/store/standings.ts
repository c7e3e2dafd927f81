import { foldStanding, foldStandings, standingKey, type FoldedStanding } from '@/core/mastery';
import type { StudioEvent } from '@/core/studio';
import type { StudioDatabase } from './database';

type Pair = readonly [student: string, section: string];

/** Which students and sections some events are about; a retraction is about what it takes back. */
async function pairsOf(db: StudioDatabase, events: readonly StudioEvent[]): Promise<Pair[]> {
  const pairs = new Map<string, Pair>();
  for (const event of events) {
    let about: StudioEvent | undefined = event;
    const seen = new Set<string>();
    while (about && (about.kind === 'retract' || about.kind === 'restore') && !seen.has(about.id)) {
      seen.add(about.id);
      about = await db.events.get(about.target);
    }
    if (about?.kind === 'level' || about?.kind === 'rung') pairs.set(standingKey(about.studentId, about.sectionId), [about.studentId, about.sectionId]);
  }
  return [...pairs.values()];
}

/** Every record about one student and section, with what takes them back. */
export async function recordsOf(db: StudioDatabase, [student, section]: Pair): Promise<StudioEvent[]> {
  const about = await db.events.where('[studentId+sectionId]').equals([student, section]).toArray();
  return [...about, ...(await wordsAbout(db, about))];
}

/** Retractions and restorations of some events, and of those. */
export async function wordsAbout(db: StudioDatabase, events: readonly StudioEvent[]): Promise<StudioEvent[]> {
  const found = new Map<string, StudioEvent>();
  let ids = events.map((e) => e.id);
  while (ids.length > 0) {
    const words = (await db.events.where('target').anyOf(ids).toArray()).filter((w) => !found.has(w.id));
    for (const w of words) found.set(w.id, w);
    ids = words.map((w) => w.id);
  }
  return [...found.values()];
}

/** Folds anew what some events are about; inside the transaction that put them in. */
export async function refold(db: StudioDatabase, events: readonly StudioEvent[]): Promise<void> {
  for (const pair of await pairsOf(db, events)) {
    const standing = foldStanding(await recordsOf(db, pair));
    if (standing) await db.standings.put(standing);
    else await db.standings.delete(standingKey(...pair));
  }
}

/** Folds everything anew, for many events at once. */
export async function refoldAll(db: StudioDatabase): Promise<void> {
  const standings: readonly FoldedStanding[] = foldStandings(await db.events.toArray());
  await db.standings.clear();
  await db.standings.bulkPut([...standings]);
}
