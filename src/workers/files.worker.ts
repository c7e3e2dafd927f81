import { expose } from 'comlink';
import { practiceOf } from '@/core/mastery';
import { ok } from '@/core/result';
import { instrumentName } from '@/core/instruments';
import { readStudioFile, writeStudioFile } from '@/core/studio';
import { putStudio, readStudio, StudioDatabase, storageProblem } from '@/store/in-worker';
import type { FilesWorkerApi } from './protocol';

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

const api: FilesWorkerApi = {
  bringIn: (database, text, fileName, zone, now) => {
    const read = readStudioFile(text, fileName, zone);
    if (!read.ok) return Promise.resolve(read);
    const { studio, listed } = read.value;
    return withDatabase(database, async (db) => {
      const put = await putStudio(db, studio, `${fileName} brought in`, now);
      if (!put.ok) return put;
      return ok({
        pieces: studio.pieces.length,
        students: studio.students.length,
        records: studio.events.length,
        newRecords: put.value.newRecords,
        damaged: studio.damaged.length,
        conflicts: put.value.conflicts,
        listed,
      });
    });
  },
  save: (database, now) =>
    withDatabase(database, async (db) => {
      const studio = await readStudio(db);
      return ok({
        file: new Blob([writeStudioFile(studio, now)], { type: 'application/json' }),
        damaged: studio.damaged.length,
      });
    }),
  practiceCsv: (database) =>
    withDatabase(database, async (db) => {
      const { unparse } = await import('papaparse');
      const studio = await readStudio(db);
      const rows = practiceOf(studio.events).map((e) => {
        const student = studio.students.find((s) => s.id === e.studentId);
        return {
          day: e.day,
          student: student?.name ?? '',
          instrument: student ? instrumentName(student) : '',
          piece: studio.pieces.find((p) => p.id === e.pieceId)?.title ?? '',
          section: studio.sections.find((s) => s.id === e.sectionId)?.letter ?? '',
          minutes: e.minutes,
          times: e.times,
          tempo: e.tempo ?? '',
          note: e.note,
        };
      });
      // Cells that a spreadsheet would run as a formula are made harmless.
      const text = unparse(rows, { escapeFormulae: true, newline: '\r\n' });
      return ok({ file: new Blob([text], { type: 'text/csv' }), rows: rows.length });
    }),
};

expose(api);
