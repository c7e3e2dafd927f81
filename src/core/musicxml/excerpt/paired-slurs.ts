import type { Note } from '../../score';

/** The slurs of an excerpt. */
export interface ExcerptSlurs {
  /** Ends that are drawn as they are written, as `noteId number role`. */
  readonly kept: ReadonlySet<string>;
  /** Where a slur that goes over an edge is left or taken up: at the last or the first note there, by note id. */
  readonly atEdge: ReadonlyMap<string, readonly { readonly number: string; readonly role: 'start' | 'stop' }[]>;
}

interface End {
  readonly note: Note;
  readonly number: string;
}

const keyOf = ({ note, number }: End, role: 'start' | 'stop'): string => `${note.id} ${number} ${role}`;

/** The notes of one voice, in order: where a slur can be taken up and left. */
function voicesOf(notes: readonly Note[]): ReadonlyMap<string, readonly Note[]> {
  const voices = new Map<string, Note[]>();
  for (const n of notes) {
    if (n.grace || n.chord) continue;
    const key = `${n.part} ${n.staff} ${n.voice}`;
    const there = voices.get(key);
    if (there) there.push(n);
    else voices.set(key, [n]);
  }
  return voices;
}

/** Starts and stops that belong together, first in the order of the source, and what is left over. */
function pair(notes: readonly Note[]) {
  const open = new Map<string, End[]>();
  const kept = new Set<string>();
  const stops: End[] = [];
  const join = (start: End, stop: End): void => {
    kept.add(keyOf(start, 'start'));
    kept.add(keyOf(stop, 'stop'));
  };
  for (const note of [...notes].sort((a, b) => a.bar - b.bar || a.sourceIndex - b.sourceIndex))
    for (const { role, number } of note.marks.slurs) {
      const place = `${note.part} ${number}`;
      const end = { note, number };
      if (role === 'start') open.set(place, [...(open.get(place) ?? []), end]);
      else if (role === 'stop') {
        const start = open.get(place)?.pop();
        if (start) join(start, end);
        else stops.push(end);
      }
    }
  // A slur between staves may end, in the source, before it begins.
  const left = stops.filter((stop) => {
    const starts = open.get(`${stop.note.part} ${stop.number}`) ?? [];
    const at = starts.findIndex((s) => s.note.onset < stop.note.onset);
    const [start] = at < 0 ? [] : starts.splice(at, 1);
    if (start) join(start, stop);
    return start === undefined;
  });
  return { kept, starts: [...open.values()].flat(), stops: left };
}

/**
 * The slurs of an excerpt: those that begin and end in it as they are written; one that goes on over an edge is left at
 * the last note of its voice, and taken up at the first.
 */
export function pairedSlurs(notes: readonly Note[]): ExcerptSlurs {
  const { kept, starts, stops } = pair(notes);
  const voices = voicesOf(notes);
  const atEdge = new Map<string, { number: string; role: 'start' | 'stop' }[]>();
  const edge = (end: End, role: 'start' | 'stop'): void => {
    const voice = voices.get(`${end.note.part} ${end.note.staff} ${end.note.voice}`) ?? [];
    const other = role === 'start' ? voice[voice.length - 1] : voice[0];
    // At the very edge there is no note to draw it to: it is handed on as it stands.
    kept.add(keyOf(end, role));
    if (!other || (role === 'start' ? other.onset <= end.note.onset : other.onset >= end.note.onset)) return;
    const there = atEdge.get(other.id);
    const mark = { number: end.number, role: role === 'start' ? ('stop' as const) : ('start' as const) };
    if (there) there.push(mark);
    else atEdge.set(other.id, [mark]);
  };
  for (const start of starts) edge(start, 'start');
  for (const stop of stops) edge(stop, 'stop');
  return { kept, atEdge };
}
