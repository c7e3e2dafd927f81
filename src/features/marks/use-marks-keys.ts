import type { Note } from '@/core/score';
import { useKey } from '@/features/keys';
import type { MarkActions } from './actions';
import type { NoteInputs } from './note';
import type { MarksModel } from './use-marks-model';

const onStrip = (e: KeyboardEvent): boolean => (e.target as Element).getAttribute('role') === 'listbox';

/** The arrow keys: along the notes of a staff, to the other staff, and with Shift over a stretch. */
function useNoteKeys({ note, notes, noteId, setNoteId, setHairpin }: MarksModel): void {
  const step = (by: number, extend = false): void => {
    const line = note ? notes.filter((n) => n.staff === note.staff && n.part === note.part) : notes;
    const at = note ? line.findIndex((n) => n.id === note.id) : -1;
    const next = line[note ? Math.max(0, Math.min(line.length - 1, at + by)) : 0];
    if (next) setNoteId(next.id, extend);
  };
  const otherStaff = (by: number): void => {
    if (!note) return step(1);
    const other = notes.filter((n) => n.staff === note.staff + by && n.part === note.part);
    const near = other.reduce<Note | null>(
      (best, n) => (best === null || Math.abs(n.onset - note.onset) < Math.abs(best.onset - note.onset) ? n : best),
      null,
    );
    if (near) setNoteId(near.id);
  };
  const asideOfStrip = { unless: onStrip };
  useKey('marks.later', (e) => step(1, e.shiftKey), asideOfStrip);
  useKey('marks.earlier', (e) => step(-1, e.shiftKey), asideOfStrip);
  useKey('marks.down', () => otherStaff(1));
  useKey('marks.up', () => otherStaff(-1));
  useKey('marks.choose', () => {
    setHairpin(null);
    setNoteId(noteId);
  });
}

/** The keys of the Marks stage, as listed by `?`. */
export function useMarksKeys(model: MarksModel, actions: MarkActions, inputs: NoteInputs, play: () => void): void {
  useNoteKeys(model);
  useKey('marks.finger', (e) => actions.typeDigit(e.key));
  useKey('marks.clear', () => actions.clearFinger());
  useKey('marks.refuse', () => actions.refuseFinger());
  useKey('marks.accept', () => actions.acceptFingers());
  useKey('marks.play', play);
  useKey('marks.louder', () => actions.drawHairpin('crescendo'));
  useKey('marks.softer', () => actions.drawHairpin('diminuendo'));
  useKey('marks.acceptHere', () => {
    if (model.here.length > 0) actions.accept(model.here);
  });
  useKey('marks.phrase', model.choosePhrase);
  useKey('marks.copies', () => actions.markCopies());
  useKey('marks.chords', () => model.setOtherChords(!model.otherChords));
  useKey('marks.cue', () => inputs.cue.current?.focus());
  useKey('marks.dynamic', () => inputs.dynamic.current?.focus());
}
