import { spanSeconds, staffPosition, struckNotes, type Note, type Score } from '../../score';
import { ticks } from '../../units';

/** Notes of a string player struck together. */
export interface StringColumn {
  readonly notes: readonly Note[];
  readonly seconds: number;
  readonly length: number;
  readonly afterRest: boolean;
}

/**
 * Columns in order of time; grace notes stand before theirs. Only the first part that has pitched notes is fingered.
 */
export function stringColumns(score: Score, part: string): StringColumn[] {
  const groups = new Map<string, { notes: Note[]; end: number }>();
  let graces = 0;
  for (const { note, sounding } of struckNotes(score.notes)) {
    if (note.part !== part || note.midi === null) continue;
    graces += note.grace ? 1 : 0;
    const key = note.grace ? `g${graces}` : String(note.onset);
    const there = groups.get(key);
    if (there) {
      there.notes.push(note);
      there.end = Math.max(there.end, note.onset + sounding);
    } else groups.set(key, { notes: [note], end: note.onset + sounding });
  }
  let before: { onset: number; end: number } | null = null;
  return [...groups.values()].map(({ notes, end }) => {
    const onset = notes[0]?.onset ?? 0;
    const seconds = before ? spanSeconds(score, ticks(before.onset), ticks(onset)) : 1;
    const gap = before && onset > before.end ? spanSeconds(score, ticks(before.end), ticks(onset)) : 0;
    before = { onset, end };
    return {
      notes: [...notes].sort((a, b) => (a.midi ?? 0) - (b.midi ?? 0)),
      seconds,
      length: spanSeconds(score, ticks(onset), ticks(end)),
      afterRest: gap > 0.3,
    };
  });
}

/**
 * Letter steps and semitones of a sounding note above an open string; the spelling gives the letter where there is one.
 */
export function aboveString(
  note: Note,
  open: { readonly key: number; readonly step: number },
): { readonly semitones: number; readonly steps: number } {
  const semitones = (note.midi ?? 0) - open.key;
  // A written pitch that sounds elsewhere (double bass, guitar) keeps its letters: whole octaves are taken off.
  const written = note.pitch ? staffPosition(note.pitch) - open.step : Math.round((semitones * 7) / 12);
  const octaves = Math.round((written - (semitones * 7) / 12) / 7);
  return { semitones, steps: written - octaves * 7 };
}
