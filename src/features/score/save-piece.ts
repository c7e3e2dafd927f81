import { encodeText, type WrittenMark } from '@/core/musicxml';
import type { Mark, Piece } from '@/core/studio';
import { downloadFile } from '@/ui';
import { pieceWorker } from '@/workers';
import { versionOf } from './use-score';

/** Marks that belong to the piece itself; a student's own layer is not written. */
const toWritten = (marks: readonly Mark[]): readonly WrittenMark[] =>
  marks.filter((m) => m.studentId === null && (m.source === 'teacher' || m.source === 'editor'));

/** Saves the piece as MusicXML to the downloads: its source with the teacher's marks put in. Returns how many, or null when it cannot be opened. */
export async function savePiece(piece: Piece, marks: readonly Mark[]): Promise<number | null> {
  const worker = pieceWorker();
  await worker.load(versionOf(piece), piece.source, piece.fileName);
  const written = await worker.write(versionOf(piece), toWritten(marks));
  if (!written) return null;
  const name = piece.title.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'piece';
  downloadFile(encodeText(written.text, piece), `${name}.musicxml`, 'application/vnd.recordare.musicxml+xml');
  return written.added;
}
