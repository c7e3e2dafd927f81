import { writeFileSync } from 'node:fs';
import { encodeText, writeMarks } from '../src/core/musicxml';
import { fail, ok, type Result } from '../src/core/result';
import { openPiece } from '../src/core/studio';
import { readMarks } from './marks-file';
import type { OptionValues } from './options';

export async function writeVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const out = options['out'];
  if (out === undefined) return fail('bad-option', 'write needs -o OUT.musicxml.');
  const opened = await openPiece(bytes, file, options['score']);
  if (!opened.ok) return opened;
  const marks = readMarks(options['marks']);
  if (!marks.ok) return marks;
  const written = writeMarks(opened.value.text, opened.value.read, marks.value);
  try {
    writeFileSync(out, encodeText(written.text, opened.value));
  } catch {
    return fail('cannot-write', `${out} cannot be written; check the folder.`, { file: out });
  }
  return ok({
    written: out,
    added: written.added,
    unplaced: written.unplaced.map((m) => (m.kind === 'rehearsal' ? m.barId : m.noteId)),
  });
}
