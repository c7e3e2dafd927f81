/**
 * What the records come to, folded and kept: a row for each student and piece, and a glance at it. Kept up to date by
 * whatever changes records, inside its transaction.
 */
import { foldStandings, glanceOf, packGlances, unpackGlances, type FoldedStanding, type Glance } from '@/core/mastery';
import { placeKey, placeOfRecord, type RecordPlace, type StudioEvent } from '@/core/studio';
import type { StudioDatabase } from './database';
import type { Work } from './record-rows';
import {
  recordsApart,
  recordsOfPiece,
  recordsOfStudent,
  recordsOfWork,
  withWhatCounts,
  withWhatTheyAreAbout,
} from './find-records';

/** More works of one student than these are folded from all that is known of the student. */
const FEW = 3;

/** What was folded: by student, then by piece. */
export type Folded = ReadonlyMap<string, ReadonlyMap<string, readonly FoldedStanding[]>>;

/** Keeps what works come to; one of which nothing is known goes. */
export async function putWorks(db: StudioDatabase, folded: Folded): Promise<void> {
  const works: Work[] = [];
  const gone: string[] = [];
  for (const [studentId, pieces] of folded)
    for (const [pieceId, standings] of pieces) {
      const key = placeKey({ studentId, pieceId });
      if (standings.length === 0) gone.push(key);
      else works.push({ key, studentId, pieceId, stamp: crypto.randomUUID(), standings });
    }
  const students = [...folded.keys()];
  const packed = await db.glances.bulkGet(students);
  const glances = new Map(
    students.map((studentId, i): [string, Glance[]] => {
      const before = packed[i];
      const pieces = folded.get(studentId);
      return [studentId, before ? unpackGlances(before).filter((g) => !pieces?.has(g.pieceId)) : []];
    }),
  );
  for (const w of works) {
    const glance = glanceOf(w.standings, w.stamp);
    if (glance) glances.get(w.studentId)?.push(glance);
  }
  const empty = students.filter((id, i) => packed[i] && glances.get(id)?.length === 0);
  await Promise.all([
    db.works.bulkPut(works),
    db.glances.bulkPut([...glances].flatMap(([id, own]) => (own.length > 0 ? [packGlances(id, own)] : []))),
    gone.length > 0 ? db.works.bulkDelete(gone) : undefined,
    empty.length > 0 ? db.glances.bulkDelete(empty) : undefined,
  ]);
}

/** The standings of a work, out of records among which its own are. */
export const standingsIn = (records: readonly StudioEvent[], work: RecordPlace): readonly FoldedStanding[] =>
  foldStandings(records).filter((s) => s.studentId === work.studentId && s.pieceId === work.pieceId);

/** Standings of one student by their pieces. */
export function standingsByPiece(standings: readonly FoldedStanding[]): Map<string, readonly FoldedStanding[]> {
  const by = new Map<string, FoldedStanding[]>();
  for (const s of standings) {
    const there = by.get(s.pieceId);
    if (there) there.push(s);
    else by.set(s.pieceId, [s]);
  }
  return by;
}

/** Works by their students. */
function byStudent(works: readonly RecordPlace[]): ReadonlyMap<string, ReadonlySet<string>> {
  const by = new Map<string, Set<string>>();
  for (const { studentId, pieceId } of works) {
    const there = by.get(studentId);
    if (there) there.add(pieceId);
    else by.set(studentId, new Set([pieceId]));
  }
  return by;
}

/** Folds some works anew; `told` hears after each student which share is done. */
export async function foldWorks(
  db: StudioDatabase,
  works: readonly RecordPlace[],
  told: (share: number) => void = () => undefined,
): Promise<void> {
  const apart = await recordsApart(db);
  const joinsOf = new Map<string, readonly StudioEvent[]>();
  const joins = async (pieceId: string): Promise<readonly StudioEvent[]> => {
    const there = joinsOf.get(pieceId) ?? (await recordsOfPiece(db, pieceId, ['section-joined'], apart));
    joinsOf.set(pieceId, there);
    return there;
  };
  let done = 0;
  const students = byStudent(works);
  for (const [studentId, pieceIds] of students) {
    const folded = new Map<string, readonly FoldedStanding[]>();
    if (pieceIds.size <= FEW)
      for (const pieceId of pieceIds) {
        const work = { studentId, pieceId };
        const [own, joined] = await Promise.all([recordsOfWork(db, work, apart), joins(pieceId)]);
        folded.set(pieceId, standingsIn([...(await withWhatCounts(db, own)), ...joined], work));
      }
    else {
      const joined = (await Promise.all([...pieceIds].map(joins))).flat();
      const records = await withWhatCounts(db, await recordsOfStudent(db, studentId, undefined, apart));
      const all = standingsByPiece(foldStandings([...records, ...joined]).filter((s) => s.studentId === studentId));
      for (const pieceId of pieceIds) folded.set(pieceId, all.get(pieceId) ?? []);
    }
    await putWorks(db, new Map([[studentId, folded]]));
    done += 1;
    told(done / students.size);
  }
}

/**
 * Which works some records are about; a word is about what it takes back, a join about everyone who was heard there.
 */
export async function worksOf(db: StudioDatabase, records: readonly StudioEvent[]): Promise<readonly RecordPlace[]> {
  const works = new Map<string, RecordPlace>();
  for (const r of await withWhatTheyAreAbout(db, records)) {
    const place = placeOfRecord(r);
    if (place === null || place.pieceId === '') continue;
    if (place.studentId !== '') works.set(placeKey(place), place);
    else if (r.kind === 'section-joined')
      for (const w of await db.works.where('pieceId').equals(place.pieceId).toArray())
        works.set(w.key, { studentId: w.studentId, pieceId: w.pieceId });
  }
  return [...works.values()];
}

/** Folds anew what some records are about; inside the transaction that put them in. */
export async function refold(db: StudioDatabase, records: readonly StudioEvent[]): Promise<void> {
  if (records.length > 0) await foldWorks(db, await worksOf(db, records));
}
