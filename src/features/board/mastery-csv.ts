import type { FoldedStanding } from '@/core/mastery';
import { inBeats } from '@/core/score';
import { dayOf, tempoUnitOf, type Piece, type Section, type Student, type Zone } from '@/core/studio';
import { downloadFile } from '@/ui';

/** Every standing there is as CSV: one row a student and section. */
export async function saveMasteryCsv(
  standings: readonly FoldedStanding[],
  students: readonly Student[],
  pieces: readonly Piece[],
  sections: readonly Section[],
  zone: Zone,
): Promise<void> {
  const { unparse } = await import('papaparse');
  const studentOf = new Map(students.map((s) => [s.id, s]));
  const pieceOf = new Map(pieces.map((p) => [p.id, p]));
  const sectionOf = new Map(sections.map((s) => [s.id, s]));
  const rows = standings
    .flatMap((s) => (s.level === null ? [] : [s]))
    .map((s) => ({
      student: studentOf.get(s.studentId)?.name ?? '',
      piece: pieceOf.get(s.pieceId)?.title ?? '',
      section: `${sectionOf.get(s.sectionId)?.letter ?? ''} ${sectionOf.get(s.sectionId)?.name ?? ''}`.trim(),
      level: s.level,
      proposed: s.proposed ?? '',
      heard: dayOf(s.at, zone),
      // In the beat that its piece is counted in.
      tempo: s.tempo === null ? '' : inBeats(s.tempo, tempoUnitOf(pieceOf.get(s.pieceId))),
      due: s.fading ? dayOf(s.fading.due, zone) : '',
      note: s.note,
    }))
    .sort(
      (a, b) =>
        a.student.localeCompare(b.student) || a.piece.localeCompare(b.piece) || a.section.localeCompare(b.section),
    );
  // Cells that a spreadsheet would run as a formula are made harmless.
  downloadFile(unparse(rows, { escapeFormulae: true, newline: '\r\n' }), 'mastery.csv', 'text/csv');
}
