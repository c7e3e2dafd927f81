import { staffPosition, type Note } from '../score';
import type { FingeredNote } from './types';

/** How much of one and the same fingering a student sees. */
export type Density = 'every' | 'changes' | 'first' | 'none';

/**
 * The notes whose finger must be written, from which the rest follows: the first of each hand, every note where the
 * hand leaves its place (keyboard: the white key under the thumb if fingers stood side by side; strings: the position),
 * every finger for which the hand opens, every other finger on a repeated key, and every lock. Keys of a wind
 * instrument follow from no place: each pitch has its keys where it first comes, and where they are others than
 * before. Notes in playing order.
 *
 * @example fingerChanges([score.notes[0]], new Map([[score.notes[0].id, { finger: 1 }]])).size // → 1
 */
export function fingerChanges(
  notes: readonly Note[],
  fingered: ReadonlyMap<string, FingeredNote>,
): ReadonlySet<string> {
  const shown = new Set<string>();
  const place = new Map<string, number | string>();
  const lastKey = new Map<string, { key: number; finger: string }>();
  const onsetOf = new Map<string, number>();
  const keysOf = new Map<number | null, string>();
  for (const note of notes) {
    const f = fingered.get(note.id);
    if (!f) continue;
    if (f.keys !== undefined) {
      if (f.locked || keysOf.get(note.midi) !== f.keys) shown.add(note.id);
      keysOf.set(note.midi, f.keys);
      continue;
    }
    const hand = f.hand ?? 'one';
    const finger = Number(f.finger);
    let here: number | string;
    if (f.hand && note.pitch)
      here = f.hand === 'right' ? staffPosition(note.pitch) - (finger - 1) : staffPosition(note.pitch) + (finger - 1);
    else if (f.fret !== undefined) here = f.fret === 0 ? (place.get(hand) ?? 'open') : f.fret - finger;
    else here = f.position ?? place.get(hand) ?? 'first';
    const inChord = onsetOf.get(hand) === note.onset;
    const before = lastKey.get(hand);
    const again = before && before.key === note.midi && before.finger !== f.finger;
    // The notes of a chord after its first follow from its outer finger unless they leave the place.
    if (
      f.locked ||
      f.extended ||
      !place.has(hand) ||
      again ||
      (!inChord && place.get(hand) !== here) ||
      (inChord && Math.abs(Number(place.get(hand)) - Number(here)) > 1)
    )
      shown.add(note.id);
    if (!inChord) place.set(hand, here);
    onsetOf.set(hand, note.onset);
    lastKey.set(hand, { key: note.midi ?? 0, finger: f.finger });
  }
  return shown;
}
