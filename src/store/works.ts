/**
 * What the records come to, folded and kept: a row for each student and piece, and a glance at it. Kept up to date by
 * whatever changes records, inside its transaction.
 */
import { foldStandings, glanceOf, workKey, type FoldedStanding } from '@/core/mastery';
import { placeOfRecord, type RecordPlace, type StudioEvent } from '@/core/studio';
import type { StudioDatabase } from './database';
import { recordsOfPiece, recordsOfStudent, recordsOfWork, withWhatCounts, withWhatTheyAreAbout } from './find-records';

/** Where one student stands on the sections of one piece. */
export interface Work extends RecordPlace {
  /** `student piece`. */
  readonly key: string;
  readonly standings: readonly FoldedStanding[];
}

/** More works of one student than these are folded from all that is known of the student. */
const FEW = 3;

/** Keeps what a work comes to; a work of which nothing is known goes. */
export async function putWorks(
  db: StudioDatabase,
  folded: readonly (RecordPlace & { readonly standings: readonly FoldedStanding[] })[],
): Promise<void> {
  const there = folded.filter((w) => w.standings.length > 0);
  const gone = folded.filter((w) => w.standings.length === 0).map(workKey);
  if (gone.length > 0) {
    await db.works.bulkDelete(gone);
    await db.glances.bulkDelete(gone);
  }
  await db.works.bulkPut(
    there.map(({ studentId, pieceId, standings }) => ({
      key: workKey({ studentId, pieceId }),
      studentId,
      pieceId,
      standings,
    })),
  );
  await db.glances.bulkPut(there.flatMap((w) => glanceOf(w.standings) ?? []));
}

/** The standings of a work, out of records among which its own are. */
const standingsIn = (records: readonly StudioEvent[], work: RecordPlace): readonly FoldedStanding[] =>
  foldStandings(records).filter((s) => s.studentId === work.studentId && s.pieceId === work.pieceId);

/** The works of several pieces, out of all that is known of a student. */
export function foldByPiece(
  studentId: string,
  records: readonly StudioEvent[],
  joins: readonly StudioEvent[],
): ReadonlyMap<string, readonly FoldedStanding[]> {
  const by = new Map<string, FoldedStanding[]>();
  for (const s of foldStandings([...records, ...joins])) {
    if (s.studentId !== studentId) continue;
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
  const joinsOf = new Map<string, readonly StudioEvent[]>();
  const joins = async (pieceId: string): Promise<readonly StudioEvent[]> => {
    const there = joinsOf.get(pieceId) ?? (await recordsOfPiece(db, pieceId, ['section-joined']));
    joinsOf.set(pieceId, there);
    return there;
  };
  let done = 0;
  const students = byStudent(works);
  for (const [studentId, pieceIds] of students) {
    const joined: StudioEvent[] = [];
    for (const pieceId of pieceIds) joined.push(...(await joins(pieceId)));
    if (pieceIds.size <= FEW)
      for (const pieceId of pieceIds) {
        const work = { studentId, pieceId };
        const records = await withWhatCounts(db, await recordsOfWork(db, work));
        await putWorks(db, [{ ...work, standings: standingsIn([...records, ...joined], work) }]);
      }
    else {
      const records = await withWhatCounts(db, await recordsOfStudent(db, studentId));
      const folded = foldByPiece(studentId, records, joined);
      await putWorks(
        db,
        [...pieceIds].map((pieceId) => ({ studentId, pieceId, standings: folded.get(pieceId) ?? [] })),
      );
    }
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
    if (place.studentId !== '') works.set(workKey(place), place);
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
