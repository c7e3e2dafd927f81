/**
 * Records that lie together are bound: a row for up to some hundreds of them, for a database writes and reads a row of
 * two hundred records about as fast as one of one. New records are loose in their own table (`events`); now and then
 * they are bound (`bind-records.ts`), and what comes with a file is bound as it comes.
 */
import type { RecordPlace, StudioEvent } from '@/core/studio';
import type { StudioDatabase } from './database';
import type { Contents, Volume } from './record-rows';

/**
 * Where records lie whose own place does not say where they are looked for: words about records that are not there, and
 * records that stand in for one of another place.
 */
export const STRAYS: RecordPlace = { studentId: '', pieceId: '' };

/** So many records may be loose: more are bound, as they come with a file or when the studio is opened. */
export const LOOSE_AT_MOST = 2000;
/** Records in one volume at most. */
export const VOLUME_SIZE = 256;

/** An id on one line; no id of ours has a second one. */
export const onOneLine = (id: string): string => id.replaceAll('\n', ' ');

export const contentsOf = ({ id, records }: Volume): Contents => ({
  id,
  ids: `\n${records.map((r) => onOneLine(r.id)).join('\n')}\n`,
});

/** The ids that a volume holds. */
export const idsIn = ({ ids }: Contents): readonly string[] => ids.slice(1, -1).split('\n');

/** Records of one place as new volumes. */
export function newVolumes({ studentId, pieceId }: RecordPlace, records: readonly StudioEvent[]): readonly Volume[] {
  return Array.from({ length: Math.ceil(records.length / VOLUME_SIZE) }, (_, i) => {
    const own = records.slice(i * VOLUME_SIZE, (i + 1) * VOLUME_SIZE);
    return { id: crypto.randomUUID(), studentId, pieceId, size: own.length, records: own };
  });
}

export async function putVolumes(db: StudioDatabase, volumes: readonly Volume[]): Promise<void> {
  await db.volumes.bulkPut(volumes);
  await db.contents.bulkPut(volumes.map(contentsOf));
}

export async function dropVolumes(db: StudioDatabase, ids: readonly string[]): Promise<void> {
  await db.volumes.bulkDelete([...ids]);
  await db.contents.bulkDelete([...ids]);
}

/** The volumes that hold records of these ids, with the ids that each holds. */
export async function volumesWith(
  db: StudioDatabase,
  ids: readonly string[],
): Promise<readonly { readonly volume: Volume; readonly ids: ReadonlySet<string> }[]> {
  if (ids.length === 0) return [];
  const held = new Map<string, Set<string>>();
  const contents = await db.contents.toArray();
  if (ids.length > 32) {
    const wanted = new Set(ids.map(onOneLine));
    for (const c of contents) {
      const there = idsIn(c).filter((id) => wanted.has(id));
      if (there.length > 0) held.set(c.id, new Set(there));
    }
  } else
    for (const c of contents) {
      const there = ids.map(onOneLine).filter((id) => c.ids.includes(`\n${id}\n`));
      if (there.length > 0) held.set(c.id, new Set(there));
    }
  const volumes = await db.volumes.bulkGet([...held.keys()]);
  return volumes.flatMap((volume) => (volume ? [{ volume, ids: held.get(volume.id) ?? new Set<string>() }] : []));
}

/** A record in the place of the one that has its id. */
export async function replaceRecord(db: StudioDatabase, record: StudioEvent): Promise<void> {
  if ((await db.events.get(record.id)) !== undefined) await db.events.put(record);
  for (const { volume } of await volumesWith(db, [record.id])) {
    const records = volume.records.map((r) => (r.id === record.id ? record : r));
    // It may belong elsewhere: among the strays it is found wherever it is looked for.
    await db.volumes.put({ ...volume, ...STRAYS, records });
  }
}

/** Takes records out, wherever they lie; gives them. */
export async function takeOutRecords(db: StudioDatabase, ids: readonly string[]): Promise<readonly StudioEvent[]> {
  const loose = (await db.events.bulkGet([...ids])).flatMap((e) => e ?? []);
  await db.events.bulkDelete([...ids]);
  const taken = [...loose];
  for (const { volume, ids: gone } of await volumesWith(db, ids)) {
    taken.push(...volume.records.filter((r) => gone.has(onOneLine(r.id))));
    const left = volume.records.filter((r) => !gone.has(onOneLine(r.id)));
    if (left.length === 0) await dropVolumes(db, [volume.id]);
    else await putVolumes(db, [{ ...volume, size: left.length, records: left }]);
  }
  return taken;
}
