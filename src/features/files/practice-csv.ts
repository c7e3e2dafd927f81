import { practiceOf } from '@/core/mastery';
import { readStudio, type StudioAccess } from '@/store';
import { downloadFile } from '@/ui';

/** All practice logged at home as CSV, oldest first. */
export async function savePracticeCsv(db: StudioAccess['db']): Promise<void> {
  const { unparse } = await import('papaparse');
  const studio = await readStudio(db);
  const rows = practiceOf(studio.events).map((e) => ({
    day: e.day,
    student: studio.students.find((s) => s.id === e.studentId)?.name ?? '',
    piece: studio.pieces.find((p) => p.id === e.pieceId)?.title ?? '',
    section: studio.sections.find((s) => s.id === e.sectionId)?.letter ?? '',
    minutes: e.minutes,
    times: e.times,
    tempo: e.tempo ?? '',
    note: e.note,
  }));
  // Cells that a spreadsheet would run as a formula are made harmless.
  downloadFile(unparse(rows, { escapeFormulae: true, newline: '\r\n' }), 'practice.csv', 'text/csv');
}
