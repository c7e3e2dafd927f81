import type { FoldedStanding } from '@/core/mastery';
import {
  mergeRecords,
  placeKey,
  recordsOfPlace,
  wordsByTarget,
  type ComingRecords,
  type Conflict,
  type RecordPlace,
  type SetAside,
  type StudioEvent,
} from '@/core/studio';
import type { StudioDatabase } from './database';
import { recordsById } from './find-records';
import { inParts } from './merge-rows-in';
import { idsIn, LOOSE_AT_MOST, newVolumes, onOneLine, putVolumes, replaceRecord, STRAYS } from './volumes';
import type { Volume } from './record-rows';
import { putWorks, standingsIn, worksOf } from './works';

const VOLUMES_AT_A_TIME = 64;
/** Works kept at a time. */
const WORKS_AT_A_TIME = 100;
/** Ids in one arrival of loose records. */
const IDS_AT_A_TIME = 5000;

/** What bringing records in came to. */
export interface MergedRecords {
  readonly fresh: number;
  /** Works to be folded anew. */
  readonly works: readonly RecordPlace[];
}

/** What is brought in, as it goes. */
interface Bringing {
  readonly db: StudioDatabase;
  readonly batch: number;
  readonly conflicts: Conflict[];
  readonly here: Here | null;
  readonly aside: SetAside[];
  readonly bound: boolean;
  /** Volumes that are put together with others: many a time is quicker than one by one. */
  readonly waiting: Volume[];
  readonly works: Map<string, RecordPlace>;
}

/** The volume that each record lies in, by the record's id on one line; null for those that are loose. */
type Here = ReadonlyMap<string, string | null>;

/** The records that are here; null where there is none. */
async function recordsHere(db: StudioDatabase): Promise<Here | null> {
  const here = new Map<string, string | null>();
  for (const c of await db.contents.toArray()) for (const id of idsIn(c)) here.set(id, c.id);
  for (const id of await db.events.toCollection().primaryKeys()) here.set(onOneLine(id), null);
  return here.size === 0 ? null : here;
}

/** Those of some ids that are here. */
async function fetched(
  { db, here }: Bringing,
  coming: readonly StudioEvent[],
): Promise<ReadonlyMap<string, StudioEvent>> {
  const wanted = new Set(coming.map((r) => r.id));
  const volumes = new Set(coming.flatMap((r) => here?.get(onOneLine(r.id)) ?? []));
  const [bound, loose] = await Promise.all([db.volumes.bulkGet([...volumes]), db.events.bulkGet([...wanted])]);
  const all = [...bound.flatMap((v) => v?.records ?? []), ...loose.flatMap((r) => r ?? [])];
  return new Map(all.flatMap((r) => (wanted.has(r.id) ? [[r.id, r] as const] : [])));
}

/**
 * Records that are here under the same ids: of two that differ the later one stands, the other is set aside. Gives
 * those that are not here after all.
 */
async function meet(bringing: Bringing, coming: readonly StudioEvent[]): Promise<readonly StudioEvent[]> {
  const { db } = bringing;
  if (coming.length === 0) return [];
  const strangers: StudioEvent[] = [];
  const mine = new Map(await fetched(bringing, coming));
  // Two of one file under one id.
  const more = coming.flatMap((r) => (mine.has(r.id) ? [] : [r.id]));
  if (more.length > 0) for (const r of await recordsById(db, more)) mine.set(r.id, r);
  for (const record of coming) {
    const before = mine.get(record.id);
    if (!before) {
      strangers.push(record);
      continue;
    }
    const { stands, aside } = mergeRecords(before, record);
    if (!aside) continue;
    bringing.conflicts.push({ kind: 'record', id: record.id });
    bringing.aside.push(aside);
    if (stands === before) continue;
    mine.set(record.id, stands);
    // The two may be about other students and pieces.
    await touch(bringing, [before]);
    await replaceRecord(db, stands);
    await db.arrivals.add({ batch: bringing.batch, kind: 'replaced', before, after: stands });
    await touch(bringing, [stands]);
  }
  return strangers;
}

/** What is to be folded anew because of some records that stand apart from their places. */
async function touch(bringing: Bringing, records: readonly StudioEvent[]): Promise<void> {
  for (const work of await worksOf(bringing.db, records)) bringing.works.set(placeKey(work), work);
}

async function putLoose({ db, batch }: Bringing, records: readonly StudioEvent[]): Promise<void> {
  await db.events.bulkPut(records);
  for (const part of inParts(records, IDS_AT_A_TIME))
    await db.arrivals.add({ batch, kind: 'records', ids: part.map((r) => r.id) });
}

/**
 * Puts records in that are not here yet: bound where there are many, loose otherwise. Null where nothing is to be
 * waited for: a transaction is lost behind a hundred waits for nothing.
 */
function putFresh(bringing: Bringing, place: RecordPlace, records: readonly StudioEvent[]): Promise<void> | null {
  if (records.length === 0) return null;
  if (!bringing.bound) return putLoose(bringing, records);
  bringing.waiting.push(...newVolumes(place, records));
  return bringing.waiting.length < VOLUMES_AT_A_TIME ? null : putWaiting(bringing);
}

/** Puts the volumes that wait. */
async function putWaiting({ db, batch, waiting }: Bringing): Promise<void> {
  const volumes: readonly Volume[] = waiting.splice(0);
  await putVolumes(db, volumes);
  await db.arrivals.bulkAdd(volumes.map((v) => ({ batch, kind: 'volume' as const, volumeId: v.id })));
}

/** Loose whatever else is bound: words about records that did not come, and records that stand in for such. */
const asLoose = (bringing: Bringing, count: number): Bringing => ({
  ...bringing,
  bound: count > LOOSE_AT_MOST,
});

/**
 * Folds places as they come, where nothing was here before: what was just read need not be read again. `joins` are
 * those of the pieces; places of no student come before all others.
 */
class FoldsAsTheyCome {
  private readonly joins = new Map<string, readonly StudioEvent[]>();
  private folded = new Map<string, Map<string, readonly FoldedStanding[]>>();
  private count = 0;
  constructor(private readonly db: StudioDatabase) {}

  /** Null where nothing is to be waited for. */
  take({ studentId, pieceId }: RecordPlace, records: readonly StudioEvent[]): Promise<void> | null {
    if (pieceId === '') return null;
    if (studentId === '') {
      this.joins.set(pieceId, records);
      return null;
    }
    const standings = standingsIn([...records, ...(this.joins.get(pieceId) ?? [])], { studentId, pieceId });
    const there = this.folded.get(studentId);
    if (there) there.set(pieceId, standings);
    else this.folded.set(studentId, new Map([[pieceId, standings]]));
    this.count += 1;
    return this.count < WORKS_AT_A_TIME ? null : this.put();
  }

  async put(): Promise<void> {
    const { folded } = this;
    this.folded = new Map();
    this.count = 0;
    await putWorks(this.db, folded);
  }
}

/**
 * Records joined with those that are here, inside a transaction; nothing that is here goes away. `told` hears which
 * share is done. Gives how many are new, and the works to be folded anew.
 */
export async function mergeRecordsIn(
  db: StudioDatabase,
  coming: ComingRecords,
  batch: number,
  conflicts: Conflict[],
  told: (share: number) => void,
): Promise<MergedRecords> {
  const here = await recordsHere(db);
  const isHere = (r: StudioEvent): boolean => here?.has(onOneLine(r.id)) ?? false;
  const bringing: Bringing = {
    db,
    batch,
    conflicts,
    here,
    aside: [],
    bound: coming.count > LOOSE_AT_MOST,
    waiting: [],
    works: new Map(),
  };
  let fresh = 0;
  /** What is about more than its own place. */
  const wide: StudioEvent[] = [];
  const apart: StudioEvent[] = [];
  const words = wordsByTarget(coming.words);
  const folds = here === null ? new FoldsAsTheyCome(db) : null;
  const places = [...coming.places].sort((a, b) =>
    a.studentId < b.studentId ? -1 : a.studentId > b.studentId ? 1 : 0,
  );
  for (const [i, place] of places.entries()) {
    const { records, crossing } = recordsOfPlace(place, words);
    apart.push(...crossing);
    const { studentId, pieceId } = place;
    const unknown = records.filter((r) => !isHere(r));
    if (unknown.length < records.length) await meet(bringing, records.filter(isHere));
    if (unknown.length > 0) {
      const put = putFresh(bringing, { studentId, pieceId }, unknown);
      if (put) await put;
      fresh += unknown.length;
      if (folds) {
        const kept = folds.take({ studentId, pieceId }, unknown);
        if (kept) await kept;
      } else if (studentId === '') wide.push(...unknown.filter((r) => r.kind === 'section-joined'));
      else if (pieceId !== '') bringing.works.set(placeKey(place), { studentId, pieceId });
    }
    told((i + 1) / places.length);
  }
  await putWaiting(bringing);
  await folds?.put();
  apart.push(...[...words.values()].flat());
  const strangers = await meet(bringing, [...apart.filter(isHere), ...coming.doubles]);
  const unknown = [...apart.filter((r) => !isHere(r)), ...strangers];
  await putFresh(asLoose(bringing, unknown.length), STRAYS, unknown);
  await putWaiting(bringing);
  await touch(bringing, [...wide, ...unknown]);
  await db.aside.bulkPut(bringing.aside);
  return { fresh: fresh + unknown.length, works: [...bringing.works.values()] };
}
