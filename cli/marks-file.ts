import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { fail, ok, type Result } from '../src/core/result';

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

export type MarkOfFile = z.infer<typeof markSchema>;

/** The marks of a file; none where no file is named. Code: `bad-marks`. */
export function readMarks(file: string | undefined): Result<readonly MarkOfFile[]> {
  if (file === undefined) return ok([]);
  let data: unknown;
  try {
    data = JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return fail('bad-marks', `${file} cannot be read as JSON.`, { file });
  }
  const parsed = marksSchema.safeParse(data);
  return parsed.success
    ? ok(parsed.data)
    : fail('bad-marks', `${file} does not hold marks: ${parsed.error.issues[0]?.message ?? 'unknown shape'}.`, {
        file,
      });
}
