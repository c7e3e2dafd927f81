import type { Note } from './model';
import { ticks, type Ticks } from '../units';

/**
 * Links every tied note to the note it runs into: the next note of the same part and sounding key that begins
 * where this one ends, any voice or staff. A tie start with nothing to run into stays unlinked.
 * @returns id of the tying note → the note it runs into.
 *
 * @example tieLinks(scoreOf('C4-|C4|').notes).size // → 1
 */
export function tieLinks(notes: readonly Note[]): ReadonlyMap<string, Note> {
  const byStart = new Map<string, Note[]>();
  for (const note of notes) {
    if (note.midi === null || note.grace || (note.tie !== 'stop' && note.tie !== 'continue')) continue;
    const place = `${note.part} ${note.midi} ${note.onset}`;
    const there = byStart.get(place);
    if (there) there.push(note);
    else byStart.set(place, [note]);
  }
  const links = new Map<string, Note>();
  const used = new Set<string>();
  for (const note of notes) {
    if (note.midi === null || (note.tie !== 'start' && note.tie !== 'continue')) continue;
    const candidates = byStart.get(`${note.part} ${note.midi} ${note.onset + note.duration}`) ?? [];
    const next =
      candidates.find((c) => c.voice === note.voice && !used.has(c.id)) ?? candidates.find((c) => !used.has(c.id));
    if (!next || next.id === note.id) continue;
    used.add(next.id);
    links.set(note.id, next);
  }
  return links;
}

/**
 * Ties that begin and do not say where they end, ended: at the note of the same key and voice that follows at once.
 *
 * @example withTiesClosed(scoreOf('C4-|C4|').notes).map((n) => n.tie) // → ['start', 'stop']
 */
export function withTiesClosed(notes: readonly Note[]): readonly Note[] {
  const links = tieLinks(notes);
  const open = notes.filter((n) => (n.tie === 'start' || n.tie === 'continue') && !n.grace && !links.has(n.id));
  if (open.length === 0) return notes;
  const place = (n: Note, onset: number): string => `${n.part} ${n.voice} ${n.midi ?? ''} ${onset}`;
  const ends = new Set(open.flatMap((n) => (n.midi === null ? [] : [place(n, n.onset + n.duration)])));
  return notes.map((n) => {
    if (n.midi === null || n.grace || n.tie === 'stop' || n.tie === 'continue' || !ends.has(place(n, n.onset)))
      return n;
    return { ...n, tie: n.tie === 'start' ? 'continue' : 'stop' };
  });
}

/**
 * The notes that are struck (not tied over from before), each with its whole sounding length in ticks.
 *
 * @example struckNotes(scoreOf('C4-|C4|').notes).length // → 1
 */
export function struckNotes(notes: readonly Note[]): { readonly note: Note; readonly sounding: Ticks }[] {
  const links = tieLinks(notes);
  const tiedInto = new Set([...links.values()].map((note) => note.id));
  return notes
    .filter((note) => !tiedInto.has(note.id))
    .map((note) => {
      let end = note.onset + note.duration;
      let next = links.get(note.id);
      while (next) {
        end = next.onset + next.duration;
        next = links.get(next.id);
      }
      return { note, sounding: ticks(end - note.onset) };
    });
}
