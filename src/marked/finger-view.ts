import { fingerChanges, type FingeredNote } from '@/core/fingering';
import type { Note } from '@/core/score';
import type { FingerMark, Teaching } from '@/core/studio';
import type { LaneText } from '@/ui';
import { fingerKey } from './refused-marks';

/** How fingers are seen; boxes only where the hand moves are for paper. */
export type FingerView = 'every' | 'changes' | 'first' | 'none' | 'boxes' | 'box-changes';
export const FINGER_VIEWS: readonly (readonly [Exclude<FingerView, 'box-changes'>, string])[] = [
  ['every', 'every note'],
  ['changes', 'changes only'],
  ['first', 'first note only'],
  ['none', 'none'],
  ['boxes', 'empty boxes to write in'],
];

/** What is written where nobody chose: how the fingers of this piece and student are taught. */
export const usualView = (teaching: Teaching): FingerView => teaching.fingers;

interface Shown {
  readonly texts: readonly LaneText[];
  readonly rows: number;
}

/** The finger, or the keys, that are printed at a note; null where none are. */
function printedText(note: Note, proposed: FingeredNote | undefined): string | null {
  const printed = note.marks.fingers[0];
  if (printed !== undefined && printed !== '') return printed;
  return proposed?.printed ? (proposed.keys ?? null) : null;
}

/** Whether the page says how a note is taken: its finger, its keys, or its string and fret. */
export const isPrinted = (note: Note, proposed: FingeredNote | undefined): boolean =>
  proposed?.printed === true || printedText(note, proposed) !== null;

/** What a finger is at a note: the teacher's, else the file's, else the proposal; refused proposals are none. */
export function fingerAt(
  note: Note,
  own: ReadonlyMap<string, FingerMark>,
  proposed: ReadonlyMap<string, FingeredNote>,
  refused: ReadonlySet<string>,
): { readonly text: string; readonly source: LaneText['source'] } | null {
  const mine = own.get(note.id);
  if (mine) return { text: mine.finger, source: mine.source };
  const p = proposed.get(note.id);
  const printed = printedText(note, p);
  if (printed) return { text: printed, source: 'printed' };
  const text = p === undefined ? undefined : answersOf(p).find((t) => !refused.has(fingerKey(note.id, t)));
  return text === undefined ? null : { text, source: 'suggested' };
}

/** The proposed finger or keys, and what is nearly as good: a refused one is followed by the next. */
const answersOf = (p: FingeredNote): readonly string[] =>
  [p.keys ?? p.finger, ...(p.alternatives ?? []), ...(p.alternates ?? [])].filter((t) => t !== '');

/** The hand opens for this finger: that is written before it. */
const opensFor = (proposed: FingeredNote | undefined, finger: string): boolean =>
  proposed?.extended === true && proposed.finger === finger;

/** The lane of one hand as the student sees it, or in full. Chords stand in rows, the highest note on top. */
export function fingerLane(
  notes: readonly Note[],
  view: FingerView,
  own: ReadonlyMap<string, FingerMark>,
  proposed: ReadonlyMap<string, FingeredNote>,
  refused: ReadonlySet<string>,
  chosen: string | null,
): Shown {
  const complete = new Map<string, FingeredNote>();
  for (const n of notes) {
    const at = fingerAt(n, own, proposed, refused);
    const base = proposed.get(n.id);
    if (at)
      complete.set(n.id, {
        ...(base ?? { noteId: n.id, bar: n.bar, why: '', locked: false }),
        noteId: n.id,
        finger: at.text,
        ...(base?.keys === undefined ? {} : { keys: at.text }),
        locked: false,
      });
  }
  const changes = view === 'changes' || view === 'box-changes' ? fingerChanges(notes, complete) : null;
  const byOnset = new Map<number, Note[]>();
  for (const n of notes) byOnset.set(n.onset, [...(byOnset.get(n.onset) ?? []), n]);
  const first = notes[0]?.id;
  const texts: LaneText[] = [];
  let rows = 1;
  for (const group of byOnset.values()) {
    const highFirst = [...group].sort((a, b) => (b.midi ?? 0) - (a.midi ?? 0));
    rows = Math.max(rows, highFirst.length);
    highFirst.forEach((note, row) => {
      const at = fingerAt(note, own, proposed, refused);
      const isChosen = note.id === chosen;
      const visible =
        view === 'every' || (view === 'changes' && changes?.has(note.id)) || (view === 'first' && note.id === first);
      const isBox = view === 'boxes' || (view === 'box-changes' && changes?.has(note.id) === true);
      if (isBox) texts.push({ noteId: note.id, text: '▢', source: 'printed', row, chosen: isChosen });
      else if (at && (visible || isChosen))
        texts.push({
          noteId: note.id,
          text: `${opensFor(proposed.get(note.id), at.text) ? 'x' : ''}${at.text}`,
          source: at.source,
          row,
          chosen: isChosen,
        });
      else if (isChosen) texts.push({ noteId: note.id, text: '·', source: 'suggested', row, chosen: true });
    });
  }
  return { texts, rows };
}
