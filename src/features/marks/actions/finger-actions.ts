import { setFingers, type FingerAt } from '@/core/commands';
import type { Note } from '@/core/score';
import type { MarkOf } from '@/core/studio';
import { fingerAt, fingerKey, isPrinted } from '@/marked';
import { counted } from '@/ui';
import { tell, type After } from '@/features/acts';
import { digitRefused, fingerOfDigit } from '../finger-choices';
import type { MarkDesk } from './mark-desk';
import { refuse } from './suggestion-actions';

/** The next lower note of the same chord: chords are typed from the top down. */
const nextBelow = (note: Note, notes: readonly Note[]): Note | undefined =>
  notes
    .filter(
      (n) =>
        n.onset === note.onset && n.staff === note.staff && n.part === note.part && (n.midi ?? 0) < (note.midi ?? 0),
    )
    .pop();

/** A digit: the finger it stands for on this instrument, over the whole stretch where one is chosen. */
function typedDigit(
  { model: { note, stretch, solver, proposed } }: MarkDesk,
  digit: string,
  set: {
    readonly one: (finger: string) => void;
    readonly all: (list: readonly (readonly [Note, string])[]) => void;
  },
): void {
  if (!note) return;
  const list = (stretch.length > 1 ? stretch : [note]).flatMap((n): (readonly [Note, string])[] => {
    const finger = fingerOfDigit(solver, proposed.get(n.id), digit);
    return finger === null ? [] : [[n, finger]];
  });
  const [only] = list;
  if (!only) tell(digitRefused(solver, proposed.get(note.id)));
  else if (stretch.length > 1) set.all(list);
  else set.one(only[1]);
}

/** Fingers set, taken away, given to the other hand, accepted and refused. */
export function fingerActions(desk: MarkDesk) {
  const { model, run, base, putOne, takeOne, onTheWay } = desk;
  const { piece, score, instrument, variant, note, notes, stretch, fingers, proposed, refused, marks } = model;
  const onAnother = instrument === piece.instrument ? {} : { instrument };
  const setAll = (label: string, list: readonly FingerAt[], after: After = {}): void => {
    if (list.length > 0)
      run(setFingers, { pieceId: piece.id, score, variant, ...onAnother, fingers: list, label }, after);
  };
  /** The finger with the string and fret of the proposal, where it is the proposed one. */
  const withPlace = (n: Note, finger: string): FingerAt => {
    const p = proposed.get(n.id);
    const place =
      p && p.finger === finger
        ? { ...(p.string === undefined ? {} : { string: p.string }), ...(p.fret === undefined ? {} : { fret: p.fret }) }
        : {};
    return { noteId: n.id, finger: { finger, ...place } };
  };
  const setFinger = (finger: string): void => {
    if (!note) return;
    const below = nextBelow(note, notes);
    if (below && !fingers.has(below.id)) model.setNoteId(below.id);
    if (fingers.get(note.id)?.finger !== finger) onTheWay.typed(note.id, finger, variant);
    setAll(`finger ${finger}`, [withPlace(note, finger)], {
      stored: () => onTheWay.stored(note.id),
      refused: () => onTheWay.refused(note.id),
    });
  };
  return {
    setFinger,
    typeDigit: (digit: string): void =>
      typedDigit(desk, digit, {
        one: setFinger,
        all: (list) =>
          setAll(
            `${counted(list.length, 'finger')} set to ${digit}`,
            list.map(([n, finger]) => withPlace(n, finger)),
          ),
      }),
    /** Takes the fingers of the chosen note or stretch away. */
    clearFinger: (): void => {
      const there = stretch.filter((n) => fingers.has(n.id));
      setAll(
        there.length === 1 ? 'finger taken away' : 'fingers taken away',
        there.map((n) => ({ noteId: n.id, finger: null })),
      );
    },
    otherHand: (): void => {
      if (!note) return;
      const before = marks.find((m): m is MarkOf<'hand'> => m.kind === 'hand' && m.noteId === note.id);
      const now = proposed.get(note.id)?.hand ?? 'right';
      if (before) takeOne('hand as its staff', before);
      else putOne('other hand', { ...base, kind: 'hand', noteId: note.id, hand: now === 'right' ? 'left' : 'right' });
    },
    refuseFinger: (): void => {
      const at = note ? fingerAt(note, fingers, proposed, refused) : null;
      if (note && at?.source === 'suggested') refuse(desk, fingerKey(note.id, at.text), 'proposed finger refused');
    },
    /** Takes over what is proposed for the stretch, else from the note in hand to the end of the section. */
    acceptFingers: (): void => {
      const start = note?.onset ?? 0;
      const among = stretch.length > 1 ? stretch : notes.filter((n) => n.onset >= start);
      const fresh = among.filter(
        (n) => !fingers.has(n.id) && fingerAt(n, fingers, proposed, refused)?.source === 'suggested',
      );
      setAll(
        `${counted(fresh.length, 'finger')} accepted`,
        fresh.map((n) => withPlace(n, fingerAt(n, fingers, proposed, refused)?.text ?? '')),
      );
    },
    takePrinted: (): void =>
      setAll(
        'printed fingers taken over',
        notes.flatMap((n) => {
          const p = proposed.get(n.id);
          const text = n.marks.fingers[0] ?? p?.keys ?? p?.finger;
          return text && isPrinted(n, p) && !fingers.has(n.id) ? [withPlace(n, text)] : [];
        }),
      ),
  };
}
