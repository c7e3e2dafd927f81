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
  const inOrder = new Intl.Collator().compare;
  const titleOf = (id: string): string => pieceOf.get(id)?.title ?? '';
  const labelOf = (id: string): string => `${sectionOf.get(id)?.letter ?? ''} ${sectionOf.get(id)?.name ?? ''}`.trim();
  const labels = new Map([...sectionOf.keys()].map((id) => [id, labelOf(id)]));
  const rows: object[] = [];
  for (const student of students.sort((a, b) => inOrder(a.name, b.name))) {
    const works = (await db.works.where('studentId').equals(student.id).toArray())
      .filter((w) => pieceId === null || w.pieceId === pieceId)
      .map((w) => ({ ...w, title: titleOf(w.pieceId) }))
      .sort((a, b) => inOrder(a.title, b.title));
    for (const { title, standings, pieceId: of } of works)
      for (const { s, section } of standings
        .map((standing) => ({ s: standing, section: labels.get(standing.sectionId) ?? '' }))
        .sort((a, b) => inOrder(a.section, b.section))) {
        if (s.level === null) continue;
        rows.push({
          student: student.name,
          piece: title,
          section,
          level: s.level,
          proposed: s.proposed ?? '',
          heard: dayOf(s.at, zone),
          // In the beat that its piece is counted in.
          tempo: s.tempo === null ? '' : inBeats(s.tempo, tempoUnitOf(pieceOf.get(of))),
          due: s.fading ? dayOf(s.fading.due, zone) : '',
          note: s.note,
        });
      }
  }
  return unparse(rows, HARMLESS);
}
