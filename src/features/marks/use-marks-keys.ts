import type { RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Note } from '@/core/score';
import type { MarkActions } from './mark-actions';
import type { MarksModel } from './use-marks-model';

interface Places {
  readonly cueInput: RefObject<HTMLInputElement | null>;
  readonly dynamicInput: RefObject<HTMLSelectElement | null>;
  readonly play: () => void;
}

/** The keys of the Marks stage, as listed by `?`. */
export function useMarksKeys(model: MarksModel, actions: MarkActions, { cueInput, dynamicInput, play }: Places): void {
  const { note, notes, setNoteId } = model;
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
  const onStrip = (e: KeyboardEvent): boolean => (e.target as Element).getAttribute('role') === 'listbox';
  const onKey = (run: () => void) => (e: KeyboardEvent) => {
    e.preventDefault();
    run();
  };
  useHotkeys(
    'right, shift+right',
    (e) => {
      e.preventDefault();
      step(1, e.shiftKey);
    },
    { ignoreEventWhen: onStrip },
  );
  useHotkeys(
    'left, shift+left',
    (e) => {
      e.preventDefault();
      step(-1, e.shiftKey);
    },
    { ignoreEventWhen: onStrip },
  );
  useHotkeys(
    'down',
    onKey(() => otherStaff(1)),
  );
  useHotkeys(
    'up',
    onKey(() => otherStaff(-1)),
  );
  useHotkeys('1, 2, 3, 4, 5, 0', (e) => actions.setFinger(e.key), { useKey: true });
  useHotkeys('backspace', () => actions.clearFinger());
  useHotkeys('x', () => actions.refuseFinger());
  useHotkeys('enter', (e) => {
    if (!['BUTTON', 'INPUT', 'SELECT', 'SUMMARY'].includes((e.target as Element).tagName)) actions.acceptFingers();
  });
  useHotkeys('space', (e) => {
    if ((e.target as Element).tagName === 'BUTTON' || (e.target as Element).tagName === 'SUMMARY') return;
    e.preventDefault();
    play();
  });
  useHotkeys(
    '<',
    onKey(() => actions.drawHairpin('crescendo')),
    { useKey: true },
  );
  useHotkeys(
    '>',
    onKey(() => actions.drawHairpin('diminuendo')),
    { useKey: true },
  );
  useHotkeys('escape', () => {
    model.setHairpin(null);
    setNoteId(model.noteId);
  });
  useHotkeys('a', () => {
    if (model.here.length > 0) actions.accept(model.here);
  });
  useHotkeys('p', model.choosePhrase);
  useHotkeys('l', () => actions.markCopies());
  useHotkeys(
    'c',
    onKey(() => cueInput.current?.focus()),
  );
  useHotkeys(
    'd',
    onKey(() => dynamicInput.current?.focus()),
  );
}
