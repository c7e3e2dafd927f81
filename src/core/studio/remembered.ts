/** What a written MusicXML file carries for us in its own field: sections and marks, so that they come back when the file does. */
import { z } from 'zod';
import type { WrittenMark } from '../musicxml';
import { markSchema, sectionSchema, type Mark, type Section } from './schemas';

const rememberedSchema = z.object({ version: z.literal(1), marks: z.array(markSchema), sections: z.array(sectionSchema) });

/** The field's text; a student's own layer stays at home. */
export const rememberPiece = (marks: readonly Mark[], sections: readonly Section[]): string =>
  JSON.stringify({ version: 1, marks: marks.filter((m) => m.studentId === null), sections });

/**
 * Marks and sections out of the field's text, under new ids and for the piece `pieceId`. Null when the text is not ours or damaged:
 * then the music still comes in without them.
 */
export function recallPiece(
  text: string,
  pieceId: string,
  newId: () => string,
): { readonly marks: readonly Mark[]; readonly sections: readonly Section[] } | null {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return null;
  }
  const parsed = rememberedSchema.safeParse(data);
  if (!parsed.success) return null;
  const ids = new Map(parsed.data.sections.map((s) => [s.id, newId()]));
  return {
    marks: parsed.data.marks.map((m) => ({ ...m, id: newId(), pieceId })),
    sections: parsed.data.sections.map((s) => ({
      ...s,
      id: ids.get(s.id) ?? newId(),
      pieceId,
      parentId: s.parentId === null ? null : (ids.get(s.parentId) ?? null),
      likeId: s.likeId === null ? null : (ids.get(s.likeId) ?? null),
    })),
  };
}

/** The marks of a piece that MusicXML has a place for, and its sections as rehearsal marks. Suggestions and printed marks are not written. */
export function toWrittenMarks(marks: readonly Mark[], sections: readonly Section[]): WrittenMark[] {
  const out: WrittenMark[] = [];
  for (const s of sections) if (s.letter !== '' && s.fromOffset === '0') out.push({ kind: 'rehearsal', barId: s.fromBar, text: s.letter });
  for (const m of marks) {
    if (m.studentId !== null || (m.source !== 'teacher' && m.source !== 'editor')) continue;
    switch (m.kind) {
      case 'finger':
        if (m.variant !== undefined) break;
        out.push({ kind: 'finger', noteId: m.noteId, finger: m.finger });
        if (m.string !== undefined) out.push({ kind: 'string', noteId: m.noteId, string: m.string, ...(m.fret === undefined ? {} : { fret: m.fret }) });
        if (m.position !== undefined) out.push({ kind: 'words', noteId: m.noteId, text: m.position });
        break;
      case 'dynamic':
        out.push({ kind: 'dynamic', noteId: m.noteId, level: m.level });
        break;
      case 'wedge':
        out.push({ kind: 'wedge', noteId: m.noteId, toNoteId: m.toNoteId, role: m.role });
        break;
      case 'cue':
        out.push({ kind: 'cue', noteId: m.noteId, text: m.text });
        break;
      case 'breath':
        out.push({ kind: 'breath', noteId: m.noteId, catch: m.catch ?? false });
        break;
      case 'bow':
        out.push({ kind: 'bow', noteId: m.noteId, direction: m.direction });
        break;
      case 'micro':
        out.push({ kind: 'words', noteId: m.noteId, text: m.sign });
        break;
      case 'phrase':
      case 'ornament':
      case 'syllable':
      case 'rating':
      case 'hand':
      case 'refused':
        break;
    }
  }
  return out;
}

/** Puts the marks and sections of a piece onto a later edition: what has no place there keeps its old note and is listed. */
export function moveToEdition(
  marks: readonly Mark[],
  sections: readonly Section[],
  match: { readonly notes: ReadonlyMap<string, string>; readonly bars: ReadonlyMap<string, string> },
  at: string,
): { readonly marks: readonly Mark[]; readonly sections: readonly Section[]; readonly lostMarks: readonly Mark[]; readonly lostSections: readonly Section[] } {
  const lostMarks: Mark[] = [];
  const lostSections: Section[] = [];
  const movedMarks = marks.map((m): Mark => {
    if (m.kind === 'refused') return m;
    if (m.kind === 'rating') {
      const barId = match.bars.get(m.barId);
      if (barId === undefined) lostMarks.push(m);
      return barId === undefined ? m : { ...m, barId, updatedAt: at };
    }
    const noteId = match.notes.get(m.noteId);
    const toNoteId = m.kind === 'wedge' ? match.notes.get(m.toNoteId) : undefined;
    if (noteId === undefined || (m.kind === 'wedge' && toNoteId === undefined)) {
      lostMarks.push(m);
      return m;
    }
    return m.kind === 'wedge' ? { ...m, noteId, toNoteId: toNoteId ?? m.toNoteId, updatedAt: at } : { ...m, noteId, updatedAt: at };
  });
  const movedSections = sections.map((s): Section => {
    const fromBar = match.bars.get(s.fromBar);
    const toBar = match.bars.get(s.toBar);
    if (fromBar === undefined || toBar === undefined) {
      lostSections.push(s);
      return s;
    }
    return { ...s, fromBar, toBar, updatedAt: at };
  });
  return { marks: movedMarks, sections: movedSections, lostMarks, lostSections };
}
