/**
 * Records wherever they lie, loose or bound. One that is found in both, while a studio is being bound, counts once.
 */
import { aboutRecord, placeOfRecord, wordsAmong, type RecordPlace, type StudioEvent } from '@/core/studio';
import type { StudioDatabase } from './database';
import { onOneLine, STRAYS, volumesWith, type Volume } from './volumes';

type Kind = StudioEvent['kind'];

/** Kinds of records about a student that are about no piece. */
const ABOUT_NO_PIECE: ReadonlySet<Kind> = new Set(['lesson', 'lesson-joined', 'said', 'assignment']);
/** Behind every id. */
const LAST = '\uffff';

const once = (records: readonly StudioEvent[]): StudioEvent[] => [...new Map(records.map((r) => [r.id, r])).values()];
const recordsIn = (volumes: readonly Volume[]): StudioEvent[] => volumes.flatMap((v) => v.records);

export const strays = async (db: StudioDatabase): Promise<readonly StudioEvent[]> =>
  recordsIn(await db.volumes.where('[studentId+pieceId]').equals([STRAYS.studentId, STRAYS.pieceId]).toArray());

/** Loose records that are about others: words, and records that stand in for others. */
export const looseWords = async (db: StudioDatabase): Promise<readonly StudioEvent[]> => [
  ...(await db.events.where('target').above('').toArray()),
  ...(await db.events.where('corrects').above('').toArray()),
];

/** Those that were asked for among what lies together, and every word about them. */
async function withTheirWords(
  db: StudioDatabase,
  loose: readonly StudioEvent[],
  bound: readonly StudioEvent[],
  isWanted: (record: StudioEvent) => boolean,
): Promise<StudioEvent[]> {
  const apart = await strays(db);
  const wanted = once([...loose, ...bound, ...apart].filter(isWanted));
  const ids = new Set(wanted.map((r) => r.id));
  return once([...wanted, ...wordsAmong([...bound, ...apart, ...(await looseWords(db))], ids)]);
}

/** Records about a student, of some kinds or of all, with every word about them. */
export async function recordsOfStudent(
  db: StudioDatabase,
  studentId: string,
  kinds?: readonly Kind[],
): Promise<StudioEvent[]> {
  const loose = kinds
    ? await db.events
        .where('[studentId+kind]')
        .anyOf(kinds.map((k) => [studentId, k] as [string, string]))
        .toArray()
    : await db.events.where('[studentId+kind]').between([studentId, ''], [studentId, LAST]).toArray();
  const volumes = db.volumes.where('[studentId+pieceId]');
  const bound = kinds?.every((k) => ABOUT_NO_PIECE.has(k))
    ? await volumes.equals([studentId, '']).toArray()
    : await volumes.between([studentId, ''], [studentId, LAST]).toArray();
  const wanted = kinds && new Set<Kind>(kinds);
  return withTheirWords(
    db,
    loose,
    recordsIn(bound),
    (r) => 'studentId' in r && r.studentId === studentId && (wanted?.has(r.kind) ?? true),
  );
}

/** Records that lie with a piece and with no student: changed fingers, joined sections; with every word about them. */
export async function recordsOfPiece(
  db: StudioDatabase,
  pieceId: string,
  kinds: readonly ('fingering' | 'section-joined')[],
): Promise<StudioEvent[]> {
  const loose = await db.events
    .where('[pieceId+kind]')
    .anyOf(kinds.map((k) => [pieceId, k] as [string, string]))
    .toArray();
  const bound = await db.volumes.where('[studentId+pieceId]').equals(['', pieceId]).toArray();
  const wanted = new Set<Kind>(kinds);
  return withTheirWords(
    db,
    loose,
    recordsIn(bound),
    (r) => wanted.has(r.kind) && 'pieceId' in r && r.pieceId === pieceId,
  );
}

/** What a student has done on a piece, with every word about it. */
export async function recordsOfWork(
  db: StudioDatabase,
  { studentId, pieceId }: RecordPlace,
): Promise<readonly StudioEvent[]> {
  const loose = await db.events.where('[studentId+kind]').between([studentId, ''], [studentId, LAST]).toArray();
  const bound = await db.volumes.where('[studentId+pieceId]').equals([studentId, pieceId]).toArray();
  return withTheirWords(db, loose, recordsIn(bound), (r) => {
    const place = placeOfRecord(r);
    return place?.studentId === studentId && place.pieceId === pieceId;
  });
}

/** Records by their ids; those that are not there are left out. */
export async function recordsById(db: StudioDatabase, ids: readonly string[]): Promise<StudioEvent[]> {
  const loose = (await db.events.bulkGet([...ids])).flatMap((e) => e ?? []);
  const there = new Set(loose.map((e) => e.id));
  const missing = ids.filter((id) => !there.has(id));
  const bound = await volumesWith(db, missing);
  return [
    ...loose,
    ...bound.flatMap(({ volume, ids: held }) => volume.records.filter((r) => held.has(onOneLine(r.id)))),
  ];
}

/** Words about some records, and about those words. */
export async function wordsAbout(db: StudioDatabase, records: readonly StudioEvent[]): Promise<StudioEvent[]> {
  const places = new Map(
    records.flatMap((r) => {
      const place = placeOfRecord(r);
      return place ? [[`${place.studentId} ${place.pieceId}`, place] as const] : [];
    }),
  );
  const bound = await db.volumes
    .where('[studentId+pieceId]')
    .anyOf([...places.values()].map((p) => [p.studentId, p.pieceId] as [string, string]))
    .toArray();
  const all = [...recordsIn(bound), ...(await strays(db)), ...(await looseWords(db))];
  return wordsAmong(all, new Set(records.map((r) => r.id)));
}

/** The records that some are about, back to the first: what a correction corrects, what a word takes back. */
export async function withWhatTheyAreAbout(
  db: StudioDatabase,
  records: readonly StudioEvent[],
): Promise<StudioEvent[]> {
  const found = new Map(records.map((r) => [r.id, r]));
  const asked = new Set(found.keys());
  for (let next = records; next.length > 0;) {
    const ids = [...new Set(next.flatMap((r) => aboutRecord(r) ?? []))].filter((id) => !asked.has(id));
    for (const id of ids) asked.add(id);
    next = ids.length === 0 ? [] : await recordsById(db, ids);
    for (const r of next) found.set(r.id, r);
  }
  return [...found.values()];
}

/** Some records with everything that their folding depends on: what they are about, and every word about that. */
export async function withWhatCounts(db: StudioDatabase, records: readonly StudioEvent[]): Promise<StudioEvent[]> {
  const here = new Set(records.map((r) => r.id));
  const all = await withWhatTheyAreAbout(db, records);
  const more = all.filter((r) => !here.has(r.id));
  return more.length === 0 ? all : once([...all, ...(await wordsAbout(db, more))]);
}

/** How many records there are. */
export async function countRecords(db: StudioDatabase): Promise<number> {
  const bound = await db.volumes.orderBy('size').keys();
  return (await db.events.count()) + bound.reduce<number>((sum, size) => sum + Number(size), 0);
}
