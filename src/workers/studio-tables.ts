/** What a studio knows as tables for a spreadsheet. */
import { instrumentName } from '@/core/instruments';
import { practiceOf } from '@/core/mastery';
import { inBeats } from '@/core/score';
import { dayOf, tempoUnitOf, type Zone } from '@/core/studio';
import { recordsOfStudent, type StudioDatabase } from '@/store/in-worker';

/** Cells that a spreadsheet would run as a formula are made harmless. */
const HARMLESS = { escapeFormulae: true, newline: '\r\n' } as const;

const byId = <T extends { readonly id: string }>(rows: readonly T[]): ReadonlyMap<string, T> =>
  new Map(rows.map((row) => [row.id, row]));

/** What everyone practised, a row each time. */
export async function practiceTable(db: StudioDatabase): Promise<{ readonly text: string; readonly rows: number }> {
  const { unparse } = await import('papaparse');
  const pieces = byId(await db.pieces.toArray());
  const sections = byId(await db.sections.toArray());
  const rows: object[] = [];
  for (const student of await db.students.orderBy('order').toArray())
    for (const e of practiceOf(await recordsOfStudent(db, student.id, ['practice'])))
      rows.push({
        day: e.day,
        student: student.name,
        instrument: instrumentName(student),
        piece: pieces.get(e.pieceId ?? '')?.title ?? '',
        section: sections.get(e.sectionId ?? '')?.letter ?? '',
        minutes: e.minutes,
        times: e.times,
        tempo: e.tempo ?? '',
        note: e.note,
      });
  return { text: unparse(rows, HARMLESS), rows: rows.length };
}

/** Where everyone stands, a row a student and section, of one piece or of all; of who is archived nothing. */
export async function masteryTable(db: StudioDatabase, pieceId: string | null, zone: Zone): Promise<string> {
  const { unparse } = await import('papaparse');
  const pieces = (await db.pieces.toArray()).filter((p) => p.archived !== true);
  const pieceOf = byId(pieceId === null ? pieces : pieces.filter((p) => p.id === pieceId));
  const sectionOf = byId(
    await db.sections
      .where('pieceId')
      .anyOf([...pieceOf.keys()])
      .toArray(),
  );
  const students = (await db.students.toArray()).filter((s) => s.archived !== true);
  const rows: Readonly<Record<'student' | 'piece' | 'section', string>>[] = [];
  for (const student of students)
    for (const work of await db.works.where('studentId').equals(student.id).toArray()) {
      const piece = pieceOf.get(work.pieceId);
      for (const s of work.standings) {
        if (s.level === null || (pieceId !== null && !piece)) continue;
        const section = sectionOf.get(s.sectionId);
        rows.push({
          student: student.name,
          piece: piece?.title ?? '',
          section: `${section?.letter ?? ''} ${section?.name ?? ''}`.trim(),
          ...{
            level: s.level,
            proposed: s.proposed ?? '',
            heard: dayOf(s.at, zone),
            // In the beat that its piece is counted in.
            tempo: s.tempo === null ? '' : inBeats(s.tempo, tempoUnitOf(piece)),
            due: s.fading ? dayOf(s.fading.due, zone) : '',
            note: s.note,
          },
        });
      }
    }
  rows.sort(
    (a, b) =>
      a.student.localeCompare(b.student) || a.piece.localeCompare(b.piece) || a.section.localeCompare(b.section),
  );
  return unparse(rows, HARMLESS);
}
