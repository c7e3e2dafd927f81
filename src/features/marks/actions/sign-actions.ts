import { putMarks, takeMarks } from '@/core/commands';
import type { OrnamentStyle } from '@/core/ornaments';
import type { Note } from '@/core/score';
import type { MarkOf, NewMark, NoteMark } from '@/core/studio';
import { tell } from '@/features/acts';
import { isDynamicLevel } from '../dynamic-level';
import { chosenNotes } from './chosen-notes';
import type { MarkDesk } from './mark-desk';

export type MicroSign = MarkOf<'micro'>['sign'];

const PHRASE_SIGNS = [',', '.', '?', '!'] as const;

/** Signs at a note or from note to note: dynamics, hairpins, cues, phrase ends, ornaments, small signs. */
export function signActions({ model, run, base, putOne, takeOne }: MarkDesk) {
  const { note, notes, stretch, student, forStudent, hairpin, setHairpin, marks } = model;
  const putHairpin = (from: Note, to: Note, role: 'crescendo' | 'diminuendo'): void =>
    putOne(role, { ...base, kind: 'wedge', noteId: from.id, toNoteId: to.id, role });
  const chosen = (): readonly Note[] => chosenNotes(model);
  return {
    setDynamic: (level: string): void => {
      if (!note) return;
      if (isDynamicLevel(level)) putOne(`dynamic ${level}`, { ...base, kind: 'dynamic', noteId: note.id, level });
      else takeOne('dynamic taken away', { ...base, kind: 'dynamic', noteId: note.id, level: 'mf' });
    },
    /** A cue at a note, for everyone or for the student in hand; `stored` is called when it is kept. */
    setCue: (noteId: string, text: string, stored: () => void): void => {
      const mark: NewMark = {
        ...base,
        studentId: forStudent && student ? student.id : null,
        kind: 'cue',
        noteId,
        text,
      };
      if (text === '') run(takeMarks, { marks: [mark], label: 'cue taken away' }, { stored });
      else run(putMarks, { marks: [mark], label: 'cue' }, { stored });
    },
    /**
     * Over a chosen stretch at once; else the first press begins a hairpin at the chosen note, the second ends it
     * there; Escape gives it up.
     */
    drawHairpin: (role: 'crescendo' | 'diminuendo'): void => {
      if (!note) return;
      const [first] = stretch;
      const last = stretch[stretch.length - 1];
      if (first && last && first.onset < last.onset) {
        putHairpin(first, last, role);
        return;
      }
      const begun = hairpin ? notes.find((n) => n.id === hairpin.from) : undefined;
      if (!hairpin || !begun || begun.onset >= note.onset) {
        setHairpin({ from: note.id, role });
        tell(`${role} begins here. Go to its last note and press the key again.`);
        return;
      }
      setHairpin(null);
      putHairpin(begun, note, hairpin.role);
    },
    setPhrase: (sign: string, reading: string | undefined): void => {
      const all = chosen();
      const last = all[all.length - 1];
      if (!last) return;
      const known = PHRASE_SIGNS.find((x) => x === sign);
      const mark = { ...base, kind: 'phrase' as const, noteId: last.id, ...(reading === undefined ? {} : { reading }) };
      if (known) putOne('phrase end', { ...mark, sign: known });
      else takeOne('phrase end taken away', { ...mark, sign: '.' });
    },
    setOrnamentStyle: (style: OrnamentStyle): void => {
      if (note) putOne(`ornament ${style}`, { ...base, kind: 'ornament', noteId: note.id, style });
    },
    /** A small sign of the teacher's own at the chosen note; the same again takes it away. */
    setMicro: (sign: MicroSign): void => {
      if (!note) return;
      const before = marks.find((m): m is MarkOf<'micro'> => m.kind === 'micro' && m.noteId === note.id);
      const mark: NoteMark | NewMark = { ...base, kind: 'micro', noteId: note.id, sign };
      if (before?.sign === sign) takeOne('sign taken away', mark);
      else putOne(`sign ${sign}`, mark);
    },
  };
}
