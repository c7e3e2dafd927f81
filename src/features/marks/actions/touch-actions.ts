import { putMarks, takeMarks } from '@/core/commands';
import type { NewMark } from '@/core/studio';
import { chosenNotes } from './chosen-notes';
import type { MarkDesk } from './mark-desk';

const PEDALS = ['down', 'change', 'up'] as const;

/** What the foot, the bow, the breath and the strumming hand do. */
export function touchActions({ model, run, base, putOne, takeOne }: MarkDesk) {
  const { note } = model;
  return {
    setPedal: (sign: string): void => {
      const known = PEDALS.find((x) => x === sign);
      if (!note) return;
      if (known) putOne(`pedal ${known}`, { ...base, kind: 'pedal', noteId: note.id, sign: known });
      else takeOne('pedal taken away', { ...base, kind: 'pedal', noteId: note.id, sign: 'down' });
    },
    /** A bow at the note, or over the stretch in turn, from this one. */
    setBow: (direction: string): void => {
      const strokes = chosenNotes(model).map((n, i): NewMark => {
        const first = direction === 'up' ? 1 : 0;
        return { ...base, kind: 'bow', noteId: n.id, direction: (i + first) % 2 === 0 ? 'down' : 'up' };
      });
      if (direction === 'up' || direction === 'down') run(putMarks, { marks: strokes, label: `${direction}-bow` });
      else run(takeMarks, { marks: strokes, label: 'bows taken away' });
    },
    /** A breath after the note, or after the last of the stretch. */
    setBreath: (kind: string): void => {
      const all = chosenNotes(model);
      const last = all[all.length - 1];
      const breaths = all.map((n): NewMark => ({ ...base, kind: 'breath', noteId: n.id }));
      if ((kind === 'breath' || kind === 'catch') && last)
        putOne(kind, { ...base, kind: 'breath', noteId: last.id, ...(kind === 'catch' ? { catch: true } : {}) });
      else run(takeMarks, { marks: breaths, label: 'breaths taken away' });
    },
    /** A pattern from a bar on; `stored` is called when it is kept. */
    setStrum: (barId: string, pattern: string, stored: () => void): void => {
      const mark: NewMark = { ...base, kind: 'strum', barId, pattern: pattern === '' ? 'D' : pattern };
      if (pattern === '') run(takeMarks, { marks: [mark], label: 'strum taken away' }, { stored });
      else run(putMarks, { marks: [mark], label: `strum ${pattern}` }, { stored });
    },
  };
}
