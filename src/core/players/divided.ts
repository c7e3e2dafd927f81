/** One of the two lines of a staff that two players share. */
import type { Note, NoteMarks, Rest } from '../score';
import type { Line } from './player';

type Event = Note | Rest;

/** Voices of a bar of a staff in the order in which they are written: the upper one first. */
function voicesIn(events: readonly Event[]): readonly string[] {
  const first = new Map<string, number>();
  for (const e of events) first.set(e.voice, Math.min(first.get(e.voice) ?? Infinity, e.sourceIndex));
  return [...first].sort(([, a], [, b]) => a - b).map(([voice]) => voice);
}

/** What is printed once at a chord holds for each of its notes; fingers, strings and frets are each note's own. */
function withMarksOf(note: Note, chord: readonly Note[]): Note {
  const others = chord.filter((n) => n !== note).map((n) => n.marks);
  if (others.length === 0) return note.chord ? { ...note, chord: false } : note;
  const joined = <K extends keyof NoteMarks>(key: K): NoteMarks[K] =>
    [note.marks, ...others].find((m) => (m[key] as readonly unknown[]).length > 0)?.[key] ?? note.marks[key];
  const marks: NoteMarks = {
    ...note.marks,
    technical: joined('technical'),
    articulations: joined('articulations'),
    ornaments: joined('ornaments'),
    slurs: joined('slurs'),
    lyrics: joined('lyrics'),
    dynamics: joined('dynamics'),
    fermata: note.marks.fermata || others.some((m) => m.fermata),
  };
  return { ...note, chord: false, marks };
}

const groupBy = <T>(list: readonly T[], keyOf: (item: T) => string): T[][] => {
  const groups = new Map<string, T[]>();
  for (const item of list) {
    const there = groups.get(keyOf(item));
    if (there) there.push(item);
    else groups.set(keyOf(item), [item]);
  }
  return [...groups.values()];
};

/**
 * The notes and rests of one line: where a bar has two voices the first or the last of them, of a chord the highest or
 * the lowest note, and what stands alone is played by both.
 */
export function lineOf(
  notes: readonly Note[],
  rests: readonly Rest[],
  line: Line,
): { readonly notes: readonly Note[]; readonly rests: readonly Rest[] } {
  const mine = new Map<string, string>();
  const place = (e: Event): string => `${e.part} ${e.staff} ${e.bar}`;
  for (const events of groupBy<Event>([...notes, ...rests], place)) {
    const voices = voicesIn(events);
    const voice = line === 'upper' ? voices[0] : voices[voices.length - 1];
    const [first] = events;
    if (first && voice !== undefined) mine.set(place(first), voice);
  }
  const inVoice = <E extends Event>(events: readonly E[]): E[] => events.filter((e) => mine.get(place(e)) === e.voice);
  let graces = 0;
  const chords = groupBy(inVoice(notes), (n) => {
    if (n.grace !== null && !n.chord) graces += 1;
    return `${place(n)} ${n.onset} ${n.grace === null ? '' : graces}`;
  });
  const chosen = chords.flatMap((chord) => {
    const ordered = [...chord].sort((a, b) => (a.midi ?? 0) - (b.midi ?? 0));
    const note = line === 'upper' ? ordered[ordered.length - 1] : ordered[0];
    return note ? [withMarksOf(note, chord)] : [];
  });
  return { notes: chosen, rests: inVoice(rests) };
}
