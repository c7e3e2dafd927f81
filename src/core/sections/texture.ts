import type { Note, Score } from '../score';

/** How a bar sounds: what teachers call its texture. */
export interface Texture {
  readonly name:
    'silence' | 'one line' | 'two lines' | 'several lines' | 'chords' | 'broken chords' | 'a tune over chords';
  /** Staves that play. */
  readonly staves: number;
  /** Chords make up much of it. */
  readonly chords: boolean;
}

const CHORDS_FROM = 1 / 3;
/** A line whose moves are leaps for the most part, over so many notes, breaks chords. */
const LEAP = 3;
const LEAST_NOTES = 4;

function breaksChords(notes: readonly Note[]): boolean {
  const keys = notes.flatMap((n) => (n.midi === null || n.chord ? [] : [n.midi as number]));
  const leaps = keys.slice(1).filter((key, i) => Math.abs(key - (keys[i] ?? key)) >= LEAP).length;
  return keys.length >= LEAST_NOTES && leaps * 3 > (keys.length - 1) * 2;
}

function nameOf(staves: readonly (readonly Note[])[]): Texture['name'] {
  if (staves.length === 0) return 'silence';
  const chordal = staves.filter((notes) => notes.filter((n) => n.chord).length * 3 > notes.length);
  if (chordal.length === staves.length) return 'chords';
  if (chordal.length > 0) return 'a tune over chords';
  if (staves.some(breaksChords)) return 'broken chords';
  return staves.length === 1 ? 'one line' : staves.length === 2 ? 'two lines' : 'several lines';
}

/** The texture of every bar; grace notes aside. */
export function texturesOf(score: Score): readonly Texture[] {
  const bars: Map<string, Note[]>[] = score.bars.map(() => new Map<string, Note[]>());
  for (const note of score.notes) {
    if (note.grace !== null) continue;
    const staves = bars[note.bar];
    const staff = `${note.part} ${note.staff}`;
    const there = staves?.get(staff);
    if (there) there.push(note);
    else staves?.set(staff, [note]);
  }
  return bars.map((staves) => {
    const notes = [...staves.values()].flat();
    return {
      name: nameOf([...staves.values()]),
      staves: staves.size,
      chords: notes.filter((n) => n.chord).length > CHORDS_FROM * notes.length,
    };
  });
}
