import { readFileSync, writeFileSync } from 'node:fs';
import { z } from 'zod';
import { encodeText, writeMarks } from '../src/core/musicxml';
import { fail, ok, type Result } from '../src/core/result';
import { openPiece } from '../src/core/studio';
import type { OptionValues } from './options';

const noteId = z.string().min(1).max(120);
const markSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('finger'), noteId, finger: z.string().min(1).max(8) }),
  z.object({
    kind: z.literal('string'),
    noteId,
    string: z.number().int().min(1).max(12),
    fret: z.number().int().min(0).max(30).optional(),
  }),
  z.object({ kind: z.literal('bow'), noteId, direction: z.enum(['up', 'down']) }),
  z.object({ kind: z.literal('dynamic'), noteId, level: z.string() }),
  z.object({ kind: z.literal('wedge'), noteId, toNoteId: noteId, role: z.enum(['crescendo', 'diminuendo']) }),
  z.object({ kind: z.literal('cue'), noteId, text: z.string().min(1).max(500) }),
  z.object({ kind: z.literal('words'), noteId, text: z.string().min(1).max(500) }),
  z.object({ kind: z.literal('breath'), noteId, catch: z.boolean().optional() }),
  z.object({ kind: z.literal('rehearsal'), barId: noteId, text: z.string().min(1).max(40) }),
]);
const marksSchema = z.union([
  z.array(markSchema),
  z.object({ marks: z.array(markSchema) }).transform((file) => file.marks),
]);

export async function writeVerb(bytes: Uint8Array, file: string, options: OptionValues): Promise<Result<unknown>> {
  const out = options['out'];
  if (out === undefined) return fail('bad-option', 'write needs -o OUT.musicxml.');
  const opened = await openPiece(bytes, file, options['score']);
  if (!opened.ok) return opened;
  let marks: z.infer<typeof marksSchema> = [];
  if (options['marks'] !== undefined) {
    let data: unknown;
    try {
      data = JSON.parse(readFileSync(options['marks'], 'utf8'));
    } catch {
      return fail('bad-marks', `${options['marks']} cannot be read as JSON.`, { file: options['marks'] });
    }
    const parsed = marksSchema.safeParse(data);
    if (!parsed.success)
      return fail(
        'bad-marks',
        `${options['marks']} does not hold marks: ${parsed.error.issues[0]?.message ?? 'unknown shape'}.`,
        { file: options['marks'] },
      );
    marks = parsed.data;
  }
  const written = writeMarks(opened.value.text, opened.value.read, marks);
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
