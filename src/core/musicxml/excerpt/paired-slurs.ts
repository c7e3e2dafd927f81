import type { Note } from '../../score';

/** Slurs that both begin and end inside the excerpt, as `noteId number role`. */
export function pairedSlurs(notes: readonly Note[]): ReadonlySet<string> {
  const open = new Map<string, { key: string }[]>();
  const paired = new Set<string>();
  for (const note of [...notes].sort((a, b) => a.bar - b.bar || a.sourceIndex - b.sourceIndex)) {
    for (const slur of note.marks.slurs) {
      const place = `${note.part} ${slur.number}`;
      const key = `${note.id} ${slur.number} ${slur.role}`;
      if (slur.role === 'start') open.set(place, [...(open.get(place) ?? []), { key }]);
      else if (slur.role === 'stop') {
        const start = open.get(place)?.pop();
        if (!start) continue;
        paired.add(start.key);
        paired.add(key);
      }
    }
  }
  return paired;
}
