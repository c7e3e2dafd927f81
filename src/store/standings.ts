import { foldStanding, foldStandings, standingKey } from '@/core/mastery';
import { spokenOf, type StudioEvent } from '@/core/studio';
import type { StudioDatabase } from './database';

interface Pair {
  readonly studentId: string;
  readonly sectionId: string;
  readonly pieceId: string;
}

/** Retractions, restorations and corrections of some events, and of those. */
export async function wordsAbout(db: StudioDatabase, events: readonly StudioEvent[]): Promise<StudioEvent[]> {
  const found = new Map<string, StudioEvent>();
  let ids = events.map((e) => e.id);
  while (ids.length > 0) {
    const words = [
      ...(await db.events.where('target').anyOf(ids).toArray()),
      ...(await db.events.where('corrects').anyOf(ids).toArray()),
    ].filter((w) => !found.has(w.id));
    for (const w of words) found.set(w.id, w);
    ids = words.map((w) => w.id);
  }
  return [...found.values()];
}

/** The records that some events speak of, back to the first: what a correction corrects, what a word takes back. */
async function spokenAbout(db: StudioDatabase, events: readonly StudioEvent[]): Promise<StudioEvent[]> {
  const found = new Map(events.map((e) => [e.id, e]));
  let ids = events.flatMap((e) => spokenOf(e)).filter((id) => !found.has(id));
  while (ids.length > 0) {
    const records = (await db.events.bulkGet([...new Set(ids)])).flatMap((e) => (e && !found.has(e.id) ? [e] : []));
    for (const r of records) found.set(r.id, r);
    ids = records.flatMap((e) => spokenOf(e)).filter((id) => !found.has(id));
  }
  return [...found.values()];
}

const joinsOf = async (db: StudioDatabase, pieceId: string): Promise<StudioEvent[]> =>
  db.events.where('[pieceId+kind]').equals([pieceId, 'section-joined']).toArray();

/** A section and those that were joined into it, and into those. */
function withJoined(sectionId: string, joins: readonly StudioEvent[]): Set<string> {
  const ids = new Set([sectionId]);
  for (let size = 0; size !== ids.size;) {
    size = ids.size;
    for (const j of joins) if (j.kind === 'section-joined' && ids.has(j.into)) ids.add(j.sectionId);
  }
  return ids;
}

/**
 * Which students and sections some events are about; a word is about what it takes back, a join about everyone who was
 * heard there.
 */
async function pairsOf(db: StudioDatabase, events: readonly StudioEvent[]): Promise<Pair[]> {
  const pairs = new Map<string, Pair>();
  const add = (pair: Pair): void => void pairs.set(standingKey(pair.studentId, pair.sectionId), pair);
  for (const e of await spokenAbout(db, events)) {
    if (e.kind === 'level' || e.kind === 'rung') {
      add(e);
      // A section that took this one in may stand where this one does.
      for (const j of await joinsOf(db, e.pieceId))
        if (j.kind === 'section-joined') add({ studentId: e.studentId, sectionId: j.into, pieceId: e.pieceId });
    }
    if (e.kind === 'practice' && e.sectionId !== null && e.pieceId !== null)
      add({ studentId: e.studentId, sectionId: e.sectionId, pieceId: e.pieceId });
    if (e.kind === 'section-joined')
      for (const s of await db.standings.where('sectionId').anyOf([e.sectionId, e.into]).toArray())
        add({ studentId: s.studentId, sectionId: e.into, pieceId: e.pieceId });
  }
  return [...pairs.values()];
}

/**
 * Every record about one student and section, with what corrects it, takes it back, or joined another section to it.
 */
async function recordsOf(db: StudioDatabase, { studentId, sectionId, pieceId }: Pair): Promise<StudioEvent[]> {
  const joins = await joinsOf(db, pieceId);
  const sections = [...withJoined(sectionId, joins)];
  const about = await db.events
    .where('[studentId+sectionId]')
    .anyOf(sections.map((s) => [studentId, s] as [string, string]))
    .toArray();
  const all = await spokenAbout(db, [...about, ...joins]);
  return [...all, ...(await wordsAbout(db, all))];
}

/** Folds anew what some events are about; inside the transaction that put them in. */
export async function refold(db: StudioDatabase, events: readonly StudioEvent[]): Promise<void> {
  if (events.length === 0) return;
  for (const pair of await pairsOf(db, events)) {
    const standing = foldStanding(await recordsOf(db, pair), pair.studentId, pair.sectionId);
    if (standing) await db.standings.put(standing);
    else await db.standings.delete(standingKey(pair.studentId, pair.sectionId));
  }
}

/** Folds everything anew, for many events at once. */
export async function refoldAll(db: StudioDatabase): Promise<void> {
  const standings = foldStandings(await db.events.toArray());
  await db.standings.clear();
  await db.standings.bulkPut(standings);
}
