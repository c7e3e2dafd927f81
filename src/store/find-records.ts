/**
 * Records wherever they lie, loose or bound. One that is found in both, while a studio is being bound, counts once.
 */
import { aboutRecord, placeKey, placeOfRecord, wordsAmong, type RecordPlace, type StudioEvent } from '@/core/studio';
import type { StudioDatabase } from './database';
import type { Volume } from './record-rows';
import { onOneLine, STRAYS, volumesWith } from './volumes';

type Kind = StudioEvent['kind'];

/** Kinds of records about a student that are about no piece. */
const ABOUT_NO_PIECE: ReadonlySet<Kind> = new Set(['lesson', 'lesson-joined', 'said', 'assignment']);
/** Behind every id. */
const LAST = '\uffff';

const once = (records: readonly StudioEvent[]): StudioEvent[] => [...new Map(records.map((r) => [r.id, r])).values()];
const recordsIn = (volumes: readonly Volume[]): StudioEvent[] => volumes.flatMap((v) => v.records);

/** Records that may be about any other, wherever that lies: loose words, corrections, and strays. */
export async function recordsApart(db: StudioDatabase): Promise<readonly StudioEvent[]> {
  const [words, corrections, strays] = await Promise.all([
    db.events.where('target').above('').toArray(),
    db.events.where('corrects').above('').toArray(),
    volumesAt(db, STRAYS),
  ]);
  return [...words, ...corrections, ...recordsIn(strays)];
}

/** Those that were asked for among what lies together, and every word about them. */
function withTheirWords(
  loose: readonly StudioEvent[],
  bound: readonly StudioEvent[],
  apart: readonly StudioEvent[],
  isWanted: (record: StudioEvent) => boolean,
): StudioEvent[] {
  const wanted = once([...loose, ...bound, ...apart].filter(isWanted));
  const ids = new Set(wanted.map((r) => r.id));
  return once([...wanted, ...wordsAmong([...bound, ...apart], ids)]);
}

/** Kinds of records about a piece and no student. */
export const KINDS_OF_PIECE = ['fingering', 'section-joined'] as const satisfies readonly Kind[];
export type KindOfPiece = (typeof KINDS_OF_PIECE)[number];

export const looseOfStudent = (db: StudioDatabase, studentId: string): PromiseLike<StudioEvent[]> =>
  db.events.where('[studentId+kind]').between([studentId, ''], [studentId, LAST]).toArray();
export const looseOfPiece = (
  db: StudioDatabase,
  pieceId: string,
  kinds: readonly KindOfPiece[],
): PromiseLike<StudioEvent[]> =>
  db.events
    .where('[pieceId+kind]')
    .anyOf(kinds.map((k) => [pieceId, k] as [string, string]))
    .toArray();
/** All volumes of a student, of no piece or any. */
export const volumesOfStudent = (db: StudioDatabase, studentId: string): PromiseLike<Volume[]> =>
  db.volumes.where('[studentId+pieceId]').between([studentId, ''], [studentId, LAST]).toArray();
/** The volumes of one place. */
export const volumesAt = (db: StudioDatabase, { studentId, pieceId }: RecordPlace): PromiseLike<Volume[]> =>
  db.volumes.where('[studentId+pieceId]').equals([studentId, pieceId]).toArray();

/** Records about a student, of some kinds or of all, with every word about them. `apart` where it is at hand. */
export async function recordsOfStudent(
  db: StudioDatabase,
  studentId: string,
  kinds?: readonly Kind[],
  apart?: readonly StudioEvent[],
): Promise<StudioEvent[]> {
  const [loose, bound, others] = await Promise.all([
    looseOfStudent(db, studentId),
    kinds?.every((k) => ABOUT_NO_PIECE.has(k))
      ? volumesAt(db, { studentId, pieceId: '' })
      : volumesOfStudent(db, studentId),
    apart ?? recordsApart(db),
  ]);
  const wanted = kinds && new Set<Kind>(kinds);
  return withTheirWords(
    loose,
    recordsIn(bound),
    others,
    (r) => 'studentId' in r && r.studentId === studentId && (wanted?.has(r.kind) ?? true),
  );
}

/** Records that lie with a piece and with no student: changed fingers, joined sections; with every word about them. */
export async function recordsOfPiece(
  db: StudioDatabase,
  pieceId: string,
  kinds: readonly KindOfPiece[],
  apart?: readonly StudioEvent[],
): Promise<StudioEvent[]> {
  const [loose, bound, others] = await Promise.all([
    looseOfPiece(db, pieceId, kinds),
    volumesAt(db, { studentId: '', pieceId }),
    apart ?? recordsApart(db),
  ]);
  const wanted = new Set<Kind>(kinds);
  return withTheirWords(
    loose,
    recordsIn(bound),
    others,
    (r) => wanted.has(r.kind) && 'pieceId' in r && r.pieceId === pieceId,
  );
}

/** What a student has done on a piece, with every word about it. */
export async function recordsOfWork(
  db: StudioDatabase,
  { studentId, pieceId }: RecordPlace,
  apart?: readonly StudioEvent[],
): Promise<readonly StudioEvent[]> {
  const [loose, bound, others] = await Promise.all([
    looseOfStudent(db, studentId),
    volumesAt(db, { studentId, pieceId }),
    apart ?? recordsApart(db),
  ]);
  return withTheirWords(loose, recordsIn(bound), others, (r) => {
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
      return place ? [[placeKey(place), place] as const] : [];
    }),
  );
  const [bound, apart] = await Promise.all([
    db.volumes
      .where('[studentId+pieceId]')
      .anyOf([...places.values()].map((p) => [p.studentId, p.pieceId] as [string, string]))
      .toArray(),
    recordsApart(db),
  ]);
  return wordsAmong([...recordsIn(bound), ...apart], new Set(records.map((r) => r.id)));
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
