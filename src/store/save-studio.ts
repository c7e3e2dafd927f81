/** A whole studio written out in portions, so that it is never the whole in memory. */
import {
  asDamaged,
  checkRow,
  eventSchema,
  parseRow,
  placeOfRecord,
  removalSchema,
  ROW_TABLES,
  setAsideSchema,
  STUDIO_FILE_END,
  studioFileHead,
  type Damaged,
  type RecordPlace,
  type StudioEvent,
} from '@/core/studio';
import type { StudioDatabase } from './database';
import { looseOfStudent, volumesOfStudent } from './find-records';

/** Rows read at a time; of pages fewer, for each holds a picture. */
const ROWS_AT_A_TIME = 500;
const PAGES_AT_A_TIME = 4;

/** What is done with each portion of the text. */
type Write = (text: string) => Promise<void>;
type Check = (row: unknown) => { readonly why: string } | { readonly row: unknown };

/** Writes lists of rows, with the signs between them. */
class ListWriter {
  private lists = 0;
  private rows = 0;
  constructor(private readonly write: Write) {}

  async begin(name: string): Promise<void> {
    await this.write(`${this.lists === 0 ? '' : ','}\n${JSON.stringify(name)}:[`);
    this.lists += 1;
    this.rows = 0;
  }

  async add(rows: readonly unknown[]): Promise<void> {
    if (rows.length === 0) return;
    const text = rows.map((row) => `\n${JSON.stringify(row)}`).join(',');
    await this.write(this.rows === 0 ? text : `,${text}`);
    this.rows += rows.length;
  }

  async end(): Promise<void> {
    await this.write(']');
  }
}

/** The rows of a table in the order of their ids, some at a time. */
async function* rowsOf(db: StudioDatabase, table: string): AsyncGenerator<readonly unknown[]> {
  const size = table === 'pages' ? PAGES_AT_A_TIME : ROWS_AT_A_TIME;
  for (let after: string | null = null; ;) {
    const rows: { readonly id: string }[] = await (
      after === null ? db.table(table).orderBy(':id') : db.table(table).where(':id').above(after)
    )
      .limit(size)
      .toArray();
    if (rows.length > 0) yield rows;
    const last = rows.at(-1);
    if (!last || rows.length < size) return;
    after = last.id;
  }
}

const inOrder = (a: StudioEvent, b: StudioEvent): number =>
  a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0;

/** Students of whom there are records, in the order of their ids; `''` for what is about no student. */
async function studentsWithRecords(db: StudioDatabase): Promise<readonly string[]> {
  const bound = (await db.volumes.orderBy('[studentId+pieceId]').uniqueKeys()) as unknown as [string, string][];
  const loose = (await db.events.orderBy('[studentId+kind]').uniqueKeys()) as unknown as [string, string][];
  return [...new Set(['', ...bound.map(([s]) => s), ...loose.map(([s]) => s)])].sort();
}

/**
 * Every record once, student by student and piece by piece, each in the order of time; loose words about records come
 * before all. `check` keeps what is sound of the loose ones; `of` is called with the records of one student.
 */
async function eachStudentsRecords(
  db: StudioDatabase,
  check: (loose: readonly StudioEvent[]) => readonly StudioEvent[],
  of: (records: readonly StudioEvent[], share: number) => Promise<void>,
): Promise<void> {
  const students = await studentsWithRecords(db);
  // Loose records without a student are in no index.
  const indexed = new Set<unknown>(await db.events.orderBy('[studentId+kind]').primaryKeys());
  const others = (await db.events.toCollection().primaryKeys()).filter((id) => !indexed.has(id));
  const apart = (await db.events.bulkGet(others)).flatMap((e) => e ?? []);
  for (const [i, studentId] of students.entries()) {
    const loose = studentId === '' ? apart : await looseOfStudent(db, studentId);
    const volumes = await volumesOfStudent(db, studentId);
    // What is bound was looked at when it was bound.
    const bound = new Map(volumes.flatMap((v) => v.records.map((r) => [r.id, r] as const)));
    const placed = [...bound.values(), ...check(loose.filter((r) => !bound.has(r.id)))].map((record) => ({
      record,
      place: pieceOf(record),
    }));
    placed.sort((a, b) => (a.place < b.place ? -1 : a.place > b.place ? 1 : inOrder(a.record, b.record)));
    await of(
      placed.map((p) => p.record),
      (i + 1) / students.length,
    );
  }
}

/** Which piece a record lies with; what does not hold what it should lies with none. */
function pieceOf(record: StudioEvent): string {
  const place: RecordPlace | null | undefined = placeOfRecord(record);
  return place?.pieceId ?? '';
}

/** What is different when anything was changed: the latest change, and how many are taken back. */
async function stateOfChanges(db: StudioDatabase): Promise<string> {
  const [last] = await db.changes.orderBy(':id').reverse().limit(1).primaryKeys();
  return `${last ?? 0} ${await db.changes.where('undone').equals(1).count()}`;
}

/** What was written. */
export interface Saved {
  readonly damaged: number;
  /** Something was changed while it was written. */
  readonly isTorn: boolean;
}

/**
 * Writes the studio file. Rows that do not hold what they should come among the damaged ones, as they are: a studio can
 * always be saved. `told` hears which share is done.
 */
export async function saveStudio(
  db: StudioDatabase,
  now: string,
  write: Write,
  told: (share: number) => void,
): Promise<Saved> {
  const before = await stateOfChanges(db);
  const damaged = new Map((await db.damaged.toArray()).map((d): [string, Damaged] => [d.id, d]));
  const out = new ListWriter(write);
  const sound = (table: string, rows: readonly unknown[], check: Check): unknown[] =>
    rows.flatMap((row) => {
      const checked = check(row);
      if ('row' in checked) return [checked.row];
      const kept = asDamaged(table, row, checked.why);
      damaged.set(kept.id, kept);
      return [];
    });
  await write(studioFileHead(now));
  for (const table of ROW_TABLES) {
    await out.begin(table);
    for await (const rows of rowsOf(db, table)) await out.add(sound(table, rows, (row) => parseRow(table, row)));
    await out.end();
  }
  await out.begin('events');
  const isEvent = (row: unknown) => checkRow(eventSchema, row);
  await eachStudentsRecords(
    db,
    (loose) => sound('events', loose, isEvent) as StudioEvent[],
    async (records, share) => {
      await out.add(records);
      told(share);
    },
  );
  await out.end();
  for (const [table, schema] of [
    ['removed', removalSchema],
    ['aside', setAsideSchema],
  ] as const) {
    await out.begin(table);
    for await (const rows of rowsOf(db, table))
      await out.add(sound(table, rows, (row) => checkRow<unknown>(schema, row)));
    await out.end();
  }
  await out.begin('damaged');
  await out.add([...damaged.values()].sort((a, b) => (a.id < b.id ? -1 : 1)));
  await out.end();
  await write(STUDIO_FILE_END);
  return { damaged: damaged.size, isTorn: (await stateOfChanges(db)) !== before };
}
