import { useMemo, useState } from 'react';
import type { Note, Score } from '@/core/score';

/** The note in hand, and the stretch between it and another one of its staff. */
export interface ChosenNotes {
  readonly noteId: string | null;
  readonly note: Note | null;
  /** The notes of one staff between the two ends; the note alone where nothing is stretched. */
  readonly stretch: readonly Note[];
  readonly chosen: ReadonlySet<string>;
  /** Takes a note in hand; `extend` keeps the other end of the stretch where it is. */
  readonly setNoteId: (id: string | null, extend?: boolean) => void;
  readonly chooseBetween: (from: Note, to: Note) => void;
}

export function useChosenNotes(notes: readonly Note[]): ChosenNotes {
  const [noteId, setNote] = useState<string | null>(null);
  const [anchorId, setAnchor] = useState<string | null>(null);
  const note = notes.find((n) => n.id === noteId) ?? null;
  const anchor = notes.find((n) => n.id === anchorId) ?? null;
  const stretch = useMemo(() => {
    if (!note) return [];
    if (!anchor || anchor.id === note.id) return [note];
    const a = Math.min(anchor.onset, note.onset);
    const b = Math.max(anchor.onset, note.onset);
    return notes.filter((n) => n.part === note.part && n.staff === note.staff && n.onset >= a && n.onset <= b);
  }, [note, anchor, notes]);
  const chosen = useMemo(() => new Set(stretch.map((n) => n.id)), [stretch]);
  return {
    noteId,
    note,
    stretch,
    chosen,
    setNoteId: (id, extend = false) => {
      setAnchor(extend ? (anchorId ?? noteId) : null);
      setNote(id);
    },
    chooseBetween: (from, to) => {
      setAnchor(from.id);
      setNote(to.id);
    },
  };
}

/**
 * First and last note of the phrase around a note: from after the phrase end before it to the next one, in its staff.
 * Null where there is none. `endsAt` are the notes at which phrases end.
 */
export function phraseAround(
  note: Note,
  notes: readonly Note[],
  score: Score,
  endsAt: readonly string[],
): readonly [Note, Note] | null {
  const ending = new Set(endsAt);
  const ends = score.notes.flatMap((n) => (ending.has(n.id) ? [n.onset as number] : [])).sort((a, b) => a - b);
  const last = ends.find((e) => e >= note.onset) ?? Infinity;
  const before = ends.filter((e) => e < note.onset).pop() ?? -1;
  const inside = notes.filter(
    (n) => n.part === note.part && n.staff === note.staff && n.onset > before && n.onset <= last,
  );
  const first = inside[0];
  const end = inside[inside.length - 1];
  return first && end ? [first, end] : null;
}
