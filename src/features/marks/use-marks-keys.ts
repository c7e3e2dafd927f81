import { useHotkeys } from 'react-hotkeys-hook';
import type { Note } from '@/core/score';
import type { MarkActions } from './actions';
import type { NoteInputs } from './note';
import type { MarksModel } from './use-marks-model';

const tagOf = (e: KeyboardEvent): string => (e.target as Element).tagName;
const onStrip = (e: KeyboardEvent): boolean => (e.target as Element).getAttribute('role') === 'listbox';
const instead =
  (run: (e: KeyboardEvent) => void) =>
  (e: KeyboardEvent): void => {
    e.preventDefault();
    run(e);
  };

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
  const asideOfStrip = { ignoreEventWhen: onStrip };
  useHotkeys(
    'right, shift+right',
    instead((e) => step(1, e.shiftKey)),
    asideOfStrip,
  );
  useHotkeys(
    'left, shift+left',
    instead((e) => step(-1, e.shiftKey)),
    asideOfStrip,
  );
  useHotkeys(
    'down',
    instead(() => otherStaff(1)),
  );
  useHotkeys(
    'up',
    instead(() => otherStaff(-1)),
  );
  useHotkeys('escape', () => {
    setHairpin(null);
    setNoteId(noteId);
  });
}

/** The keys of the Marks stage, as listed by `?`. */
export function useMarksKeys(model: MarksModel, actions: MarkActions, inputs: NoteInputs, play: () => void): void {
  useNoteKeys(model);
  useHotkeys('1, 2, 3, 4, 5, 6, 7, 8, 9, 0', (e) => actions.typeDigit(e.key), { useKey: true });
  useHotkeys('backspace', () => actions.clearFinger());
  useHotkeys('x', () => actions.refuseFinger());
  useHotkeys('enter', (e) => {
    if (!['BUTTON', 'INPUT', 'SELECT', 'SUMMARY'].includes(tagOf(e))) actions.acceptFingers();
  });
  useHotkeys('space', (e) => {
    if (['BUTTON', 'SUMMARY'].includes(tagOf(e))) return;
    e.preventDefault();
    play();
  });
  useHotkeys(
    '<',
    instead(() => actions.drawHairpin('crescendo')),
    { useKey: true },
  );
  useHotkeys(
    '>',
    instead(() => actions.drawHairpin('diminuendo')),
    { useKey: true },
  );
  useHotkeys('a', () => {
    if (model.here.length > 0) actions.accept(model.here);
  });
  useHotkeys('p', model.choosePhrase);
  useHotkeys('l', () => actions.markCopies());
  useHotkeys('o', () => model.setOtherChords(!model.otherChords));
  useHotkeys(
    'c',
    instead(() => inputs.cue.current?.focus()),
  );
  useHotkeys(
    'd',
    instead(() => inputs.dynamic.current?.focus()),
  );
}
