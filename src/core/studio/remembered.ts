/**
 * What a written MusicXML file carries for us in its own field: sections and marks, so that they come back when the
 * file does.
 */
import { z } from 'zod';
import type { WrittenMark } from '../musicxml';
import { sectionId } from './identity';
import { markId, markSchema, writtenMark, type Mark } from './kinds/marks';
import type { Section } from './schemas';
import { sectionSchema } from './music-schemas';

const rememberedSchema = z.object({
  version: z.union([z.literal(1), z.literal(2)]),
  marks: z.array(markSchema),
  sections: z.array(sectionSchema),
});

/**
 * The field's text; a student's own layer stays at home.
 *
 * @example rememberPiece([], []) // → '{"version":2,"marks":[],"sections":[]}'
 */
export const rememberPiece = (marks: readonly Mark[], sections: readonly Section[]): string =>
  JSON.stringify({ version: 2, marks: marks.filter((m) => m.studentId === null), sections });

/**
 * Marks and sections out of the field's text, for the piece `pieceId`, under the ids of their places. Null when the
 * text is not ours or damaged: then the music still comes in without them.
 *
 * @example recallPiece('not ours', 'p') // → null
 */
export function recallPiece(
  text: string,
  pieceId: string,
): { readonly marks: readonly Mark[]; readonly sections: readonly Section[] } | null {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return null;
  }
  const parsed = rememberedSchema.safeParse(data);
  if (!parsed.success) return null;
  const taken = new Set<string>();
  const ids = new Map(
    parsed.data.sections.map((s) => {
      const id = sectionId({ ...s, pieceId }, taken);
      taken.add(id);
      return [s.id, id] as const;
    }),
  );
  const idOf = (old: string | null): string | null => (old === null ? null : (ids.get(old) ?? null));
  const marks = new Map(
    parsed.data.marks.map((m) => {
      const moved = { ...m, pieceId };
      const id = markId(moved);
      return [id, { ...moved, id }] as const;
    }),
  );
  return {
    marks: [...marks.values()],
    sections: parsed.data.sections.map((s) => ({
      ...s,
      id: ids.get(s.id) ?? s.id,
      pieceId,
      parentId: idOf(s.parentId),
      likeId: idOf(s.likeId),
    })),
  };
}

/**
 * The marks of a piece that MusicXML has a place for, and its sections as rehearsal marks. Suggestions and printed
 * marks are not written.
 *
 * @example toWrittenMarks([finger('n1', '3')], []) // → [{ kind: 'finger', noteId: 'n1', finger: '3' }]
 */
export function toWrittenMarks(marks: readonly Mark[], sections: readonly Section[]): WrittenMark[] {
  const letters = sections.flatMap((s): WrittenMark[] =>
    s.letter !== '' && s.fromOffset === '0' ? [{ kind: 'rehearsal', barId: s.fromBar, text: s.letter }] : [],
  );
  const written = marks.flatMap((m) =>
    m.studentId === null && (m.source === 'teacher' || m.source === 'editor') ? writtenMark(m) : [],
  );
  return [...letters, ...written];
}
