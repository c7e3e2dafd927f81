/**
 * Loose records are bound, and standings of former versions put together by works: in steps of a transaction each, that
 * can be broken off at any moment and go on with the next opening. Meanwhile everything can be used: what is bound but
 * not yet gone from the loose ones counts once.
 */
import {
  eventSchema,
  placeKey,
  placeOfRecord,
  wordsByTarget,
  withWords,
  type RecordPlace,
  type StudioEvent,
} from '@/core/studio';
import type { StudioDatabase } from './database';
import { KINDS_OF_PIECE, looseOfPiece, looseOfStudent, volumesAt } from './find-records';
import { dropVolumes, idsIn, LOOSE_AT_MOST, newVolumes, onOneLine, putVolumes, STRAYS, VOLUME_SIZE } from './volumes';
import { putWorks, standingsByPiece } from './works';

/** From so many on it is quicker to empty the table at the end than to take each record out. */
const CLEARED_FROM = 20_000;
/** More words than these about records that are not there are bound as strays. */
const STRAYS_FROM = 1000;
/** Volumes with fewer records are bound together with what comes to their place. */
const SMALL = VOLUME_SIZE / 2;

/** Studios in which no standings of a former version are left: nothing brings them back. */
const together = new WeakSet<StudioDatabase>();

/** Whether standings of a former version wait to be put together. */
export async function areStandingsLeft(db: StudioDatabase): Promise<boolean> {
  if (together.has(db)) return false;
  const areLeft = (await db.standings.limit(1).primaryKeys()).length > 0;
  if (!areLeft) together.add(db);
  return areLeft;
}

/** Whether there is anything to bind. */
export const isBindingNeeded = async (db: StudioDatabase): Promise<boolean> =>
  (await areStandingsLeft(db)) || (await db.events.count()) > LOOSE_AT_MOST;

type Told = (share: number) => void;

/** Standings of former versions by works; one that was folded anew since stays as it is. */
async function putStandingsTogether(db: StudioDatabase, told: Told): Promise<void> {
  if (!(await areStandingsLeft(db))) return;
  const students = (await db.standings.orderBy('studentId').uniqueKeys()) as string[];
  for (const [i, studentId] of students.entries()) {
    await db.transaction('rw', [db.standings, db.works, db.glances], async () => {
      const by = standingsByPiece(await db.standings.where('studentId').equals(studentId).toArray());
      const folded = new Set(await db.works.where('studentId').equals(studentId).primaryKeys());
      for (const pieceId of [...by.keys()]) if (folded.has(placeKey({ studentId, pieceId }))) by.delete(pieceId);
      await putWorks(db, new Map([[studentId, by]]));
    });
    told((i + 1) / students.length);
  }
  await db.standings.clear();
}

/** Volumes that something else refers to are left as they are. */
async function volumesInArrivals(db: StudioDatabase): Promise<ReadonlySet<string>> {
  const ids = new Set<string>();
  await db.arrivals.each((a) => {
    if (a.kind === 'volume') ids.add(a.volumeId);
  });
  return ids;
}

interface BindingRun {
  readonly db: StudioDatabase;
  /** Words by what they are about; those that found their place are taken out. */
  readonly words: Map<string, readonly StudioEvent[]>;
  readonly kept: ReadonlySet<string>;
  /** Records leave the loose ones at once, not all at the end. */
  readonly takesOut: boolean;
  readonly crossing: StudioEvent[];
}

/** Binds loose records of one place. */
async function bindPlace(run: BindingRun, place: RecordPlace, loose: readonly StudioEvent[]): Promise<void> {
  const { db, kept } = run;
  const there = await volumesAt(db, place);
  const before = there.flatMap((v) => v.records);
  const bound = new Set(before.map((r) => r.id));
  // Words may be about records that were bound before.
  const { records, crossing } = withWords([...before, ...loose.filter((r) => !bound.has(r.id))], run.words);
  run.crossing.push(...crossing.filter((r) => !bound.has(r.id)));
  const fresh = records.filter((r) => !bound.has(r.id));
  if (fresh.length > 0) {
    const small = there.filter((v) => v.size < SMALL && !kept.has(v.id));
    await putVolumes(db, newVolumes(place, [...small.flatMap((v) => v.records), ...fresh]));
    await dropVolumes(
      db,
      small.map((v) => v.id),
    );
  }
  if (run.takesOut) await db.events.bulkDelete([...fresh, ...loose.filter((r) => bound.has(r.id))].map((r) => r.id));
}

/** Binds the loose records that are found in one go, place by place, in one transaction. */
async function bindFound(run: BindingRun, find: () => PromiseLike<readonly StudioEvent[]>): Promise<void> {
  const { db } = run;
  await db.transaction('rw', [db.events, db.volumes, db.contents], async () => {
    const by = new Map<string, { readonly place: RecordPlace; readonly records: StudioEvent[] }>();
    for (const row of await find()) {
      // What does not hold what it should stays as it is.
      const parsed = eventSchema.safeParse(row);
      if (!parsed.success) continue;
      const record = parsed.data;
      const place = placeOfRecord(record);
      if (place === null) continue;
      const there = by.get(placeKey(place));
      if (there) there.records.push(record);
      else by.set(placeKey(place), { place, records: [record] });
    }
    for (const { place, records } of by.values()) await bindPlace(run, place, records);
  });
}

/** Takes out of the loose records all that were bound. */
async function clearBound(db: StudioDatabase): Promise<void> {
  await db.transaction('rw', [db.events, db.contents], async () => {
    const bound = new Set<string>();
    for (const c of await db.contents.toArray()) for (const id of idsIn(c)) bound.add(id);
    const left = (await db.events.toCollection().primaryKeys()).filter((id) => !bound.has(onOneLine(id)));
    const rows = await db.events.bulkGet(left);
    await db.events.clear();
    await db.events.bulkPut(rows.flatMap((r) => r ?? []));
  });
}

/** Binds what is loose; `told` hears which share is done. */
async function bindLoose(db: StudioDatabase, told: Told): Promise<void> {
  const count = await db.events.count();
  const run: BindingRun = {
    db,
    words: wordsByTarget(await db.events.where('target').above('').toArray()),
    kept: await volumesInArrivals(db),
    takesOut: count < CLEARED_FROM,
    crossing: [],
  };
  const keys = (await db.events.orderBy('[studentId+kind]').uniqueKeys()) as unknown as [string, string][];
  const students = [...new Set(keys.map(([studentId]) => studentId))];
  const ofPieces = (await db.events.orderBy('[pieceId+kind]').uniqueKeys()) as unknown as [string, string][];
  const pieces = [
    ...new Set(ofPieces.filter(([, k]) => KINDS_OF_PIECE.some((kind) => kind === k)).map(([pieceId]) => pieceId)),
  ];
  const steps = students.length + pieces.length;
  for (const [i, studentId] of students.entries()) {
    await bindFound(run, () => looseOfStudent(db, studentId));
    told((i + 1) / steps);
  }
  for (const [i, pieceId] of pieces.entries()) {
    await bindFound(run, () => looseOfPiece(db, pieceId, KINDS_OF_PIECE));
    told((students.length + i + 1) / steps);
  }
  const apart = [...run.crossing, ...[...run.words.values()].flat()];
  if (apart.length > STRAYS_FROM)
    await db.transaction('rw', [db.events, db.volumes, db.contents], async () => {
      await putVolumes(db, newVolumes(STRAYS, apart));
      await db.events.bulkDelete(apart.map((r) => r.id));
    });
  if (!run.takesOut) await clearBound(db);
}

/**
 * Brings a studio up to date and binds its loose records where there are many (`least` and more); the share that is
 * done is told. Broken off, it goes on where it was with the next call.
 */
export async function bindRecords(db: StudioDatabase, told: Told, least = LOOSE_AT_MOST): Promise<void> {
  await putStandingsTogether(db, (share) => told(share * 0.2));
  if ((await db.events.count()) > least) await bindLoose(db, (share) => told(0.2 + share * 0.8));
}
