import type { MidiRequest } from '@/core/midi';
import { encodeText } from '@/core/musicxml';
import { rememberPiece, toWrittenMarks, type Mark, type Piece, type Section } from '@/core/studio';
import { downloadFile } from '@/ui';
import { pieceWorker } from '@/workers';
import { versionOf } from './use-score';

const fileNameOf = (piece: Piece): string => piece.title.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'piece';

/** Saves the piece as MusicXML to the downloads: its source with the teacher's marks put in. Returns how many, or null when it cannot be opened. */
export async function savePiece(piece: Piece, marks: readonly Mark[], sections: readonly Section[]): Promise<number | null> {
  const worker = pieceWorker();
  await worker.load(versionOf(piece), piece.source, piece.fileName);
  const written = await worker.write(
    versionOf(piece),
    toWrittenMarks(marks, sections),
    marks.length + sections.length > 0 ? rememberPiece(marks, sections) : null,
  );
  if (!written) return null;
  downloadFile(encodeText(written.text, piece), `${fileNameOf(piece)}.musicxml`, 'application/vnd.recordare.musicxml+xml');
  return written.added;
}

/** Saves bars of the piece as a MIDI file; false when the piece cannot be opened. */
export async function saveMidi(piece: Piece, request: MidiRequest): Promise<boolean> {
  const worker = pieceWorker();
  await worker.load(versionOf(piece), piece.source, piece.fileName);
  const bytes = await worker.midi(versionOf(piece), request);
  if (!bytes) return false;
  downloadFile(bytes, `${fileNameOf(piece)}.mid`, 'audio/midi');
  return true;
}
