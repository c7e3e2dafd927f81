import type { MidiRequest } from '@/core/midi';
import { encodeText } from '@/core/musicxml';
import { ok, type Result } from '@/core/result';
import { rememberPiece, toWrittenMarks, type Mark, type Piece, type Section } from '@/core/studio';
import { downloadFile } from '@/ui';
import { askReading } from '@/workers';
import { loadedPiece } from './loaded-piece';

/** A title as a file name: letters, figures, spaces and hyphens of it. */
function fileNameOf(piece: Piece): string {
  const letter = /[\p{L}\p{N} _-]/u;
  return (
    [...piece.title]
      .filter((c) => letter.test(c))
      .join('')
      .trim() || 'piece'
  );
}

/**
 * Saves the piece as MusicXML to the downloads: its source with the teacher's marks put in. Gives how many were put in
 * and how many have no place.
 */
export async function savePiece(
  piece: Piece,
  marks: readonly Mark[],
  sections: readonly Section[],
): Promise<Result<{ readonly added: number; readonly unplaced: number }>> {
  const remembered = marks.length + sections.length > 0 ? rememberPiece(marks, sections) : null;
  const written = await askReading((api) => api.write(loadedPiece(piece), toWrittenMarks(marks, sections), remembered));
  if (!written.ok) return written;
  downloadFile(
    encodeText(written.value.text, piece),
    `${fileNameOf(piece)}.musicxml`,
    'application/vnd.recordare.musicxml+xml',
  );
  return ok({ added: written.value.added, unplaced: written.value.unplaced.length });
}

/** Saves bars of the piece as a MIDI file. */
export async function saveMidi(piece: Piece, request: MidiRequest): Promise<Result<null>> {
  const bytes = await askReading((api) => api.midi(loadedPiece(piece), request));
  if (!bytes.ok) return bytes;
  downloadFile(bytes.value, `${fileNameOf(piece)}.mid`, 'audio/midi');
  return ok(null);
}
