import { expose } from 'comlink';
import { fail, ok, type Result } from '@/core/result';
import { StudioFileReader, type ComingStudio, type Zone } from '@/core/studio';
import {
  bindRecords,
  fillStudio,
  putStudio,
  redoChange,
  saveStudio,
  storageProblem,
  StudioDatabase,
  undoChange,
} from '@/store/in-worker';
import { masteryTable, practiceTable } from './studio-tables';
import type { FilesWorkerApi, FileWorkStep, FileWorkTold } from './protocol';

/** Runs something with the studio's database open; storage that does not work comes back as a sentence. */
async function withDatabase<T>(
  name: string,
  run: (db: StudioDatabase) => Promise<T>,
): Promise<T | ReturnType<typeof storageProblem>> {
  const db = new StudioDatabase(name);
  try {
    await db.open();
    return await run(db);
  } catch (error) {
    return storageProblem(error);
  } finally {
    db.close();
  }
}

/** The most that is told in a second. */
const TOLD_EVERY_MS = 100;

/** Tells how far it is, not more often than can be seen. */
function seldom(told: FileWorkTold): (share: number, step: FileWorkStep) => void {
  let last = 0;
  return (share, step) => {
    const now = Date.now();
    if (now - last < TOLD_EVERY_MS && share < 1) return;
    last = now;
    // Nobody listens any more where the page was left.
    Promise.resolve(told(share, step)).catch(() => undefined);
  };
}

/** More characters than these are no studio. */
const LONGEST_FILE = 2_000_000_000;

const isPacked = async (file: Blob): Promise<boolean> => {
  const [a, b] = new Uint8Array(await file.slice(0, 2).arrayBuffer());
  return a === 0x1f && b === 0x8b;
};

/** The file as text, portion by portion, unpacked where it is packed. */
async function* textOf(file: Blob, read: (bytes: number) => void): AsyncGenerator<string> {
  const counted = new TransformStream<Uint8Array<ArrayBuffer>, Uint8Array<ArrayBuffer>>({
    transform: (bytes, to) => {
      read(bytes.byteLength);
      to.enqueue(bytes);
    },
  });
  const bytes = file.stream().pipeThrough(counted);
  const plain = (await isPacked(file)) ? bytes.pipeThrough(new DecompressionStream('gzip')) : bytes;
  const reader = plain.pipeThrough(new TextDecoderStream()).getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    yield value;
  }
}

/** Reads a studio file in portions. */
async function readFile(
  file: Blob,
  fileName: string,
  zone: Zone,
  told: (share: number, step: FileWorkStep) => void,
): Promise<Result<ComingStudio>> {
  const reader = new StudioFileReader(fileName, zone);
  let bytes = 0;
  let length = 0;
  try {
    for await (const text of textOf(file, (more) => (bytes += more))) {
      length += text.length;
      if (length > LONGEST_FILE)
        return fail('studio-too-large', `${fileName} holds more than a studio can. Nothing was changed.`);
      const taken = reader.write(text);
      if (!taken.ok) return taken;
      told(bytes / Math.max(1, file.size), 'reading');
    }
  } catch {
    return fail('studio-not-json', `${fileName} is damaged: it cannot be unpacked. Nothing was changed.`);
  }
  return reader.end();
}

/** A studio that is changed while it is written is written again, this often at most. */
const TRIES = 3;

async function packed(
  write: (to: (text: string) => Promise<void>) => Promise<{ readonly damaged: number; readonly isTorn: boolean }>,
): Promise<{ readonly file: Blob; readonly damaged: number; readonly isTorn: boolean }> {
  const gzip = new CompressionStream('gzip');
  const blob = new Response(gzip.readable).blob();
  const out = gzip.writable.getWriter();
  const encoder = new TextEncoder();
  const { damaged, isTorn } = await write(async (text) => {
    await out.ready;
    await out.write(encoder.encode(text));
  });
  await out.close();
  return { file: await blob, damaged, isTorn };
}

const csv = (text: string): Blob => new Blob([text], { type: 'text/csv' });

const api: FilesWorkerApi = {
  bringIn: async (database, file, fileName, zone, now, told) => {
    const tell = seldom(told);
    const read = await readFile(file, fileName, zone, tell);
    if (!read.ok) return read;
    const { studio, records, listed } = read.value;
    return withDatabase(database, async (db) => {
      const put = await putStudio(db, studio, `${fileName} brought in`, now, records, tell);
      if (!put.ok) return put;
      return ok({
        pieces: studio.pieces.length,
        students: studio.students.length,
        records: records.count,
        newRecords: put.value.newRecords,
        damaged: studio.damaged.length,
        conflicts: put.value.conflicts,
        listed,
      });
    });
  },
  save: (database, now, told) =>
    withDatabase(database, async (db) => {
      const tell = seldom(told);
      for (let tries = 1; ; tries += 1) {
        const saved = await packed((write) => saveStudio(db, now, write, (share) => tell(share, 'writing')));
        if (!saved.isTorn || tries === TRIES) return ok({ file: saved.file, damaged: saved.damaged });
      }
    }),
  step: (database, way, now, told) =>
    withDatabase(database, async (db) => {
      const step = way === 'undo' ? undoChange : redoChange;
      return ok(await step(db, now, () => crypto.randomUUID(), seldom(told)));
    }),
  bindRecords: (database, told) =>
    withDatabase(database, async (db) => {
      const tell = seldom(told);
      await bindRecords(db, (share) => tell(share, 'binding'));
      return ok(null);
    }),
  fillDemo: async (database, now, zone) => {
    // Only the first visit needs the demo's pieces.
    const { buildDemoStudio } = await import('@/demo');
    return withDatabase(database, async (db) => {
      await fillStudio(db, buildDemoStudio(new Date(now), zone));
      return ok(null);
    });
  },
  practiceCsv: (database) =>
    withDatabase(database, async (db) => {
      const { text, rows } = await practiceTable(db);
      return ok({ file: csv(text), rows });
    }),
  masteryCsv: (database, pieceId, zone) =>
    withDatabase(database, async (db) => ok({ file: csv(await masteryTable(db, pieceId, zone)) })),
};

expose(api);
