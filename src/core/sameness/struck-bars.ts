import { perScore, staffPosition, struckNotes, type Note, type Score } from '../score';

/** A struck note of a bar as sameness sees it: place and length in ticks from the bar line, spelling, sounding key. */
export interface BarNote {
  readonly note: Note;
  readonly at: number;
  readonly length: number;
  readonly key: number | null;
  /** Steps above C0; null without a pitch. */
  readonly step: number | null;
}

/** What is struck in every bar, and what is held into it; ticks. */
export interface StruckBars {
  /** By bar, in the order of the score. */
  readonly byBar: readonly (readonly BarNote[])[];
  /** By `part staff bar`: how long a note from before goes on sounding. */
  readonly heldInto: ReadonlyMap<string, number>;
  /** The staves that have notes, in the order of the score. */
  readonly staves: readonly Staff[];
}

export interface Staff {
  readonly part: string;
  readonly staff: number;
}

function findStruckBars(score: Score): StruckBars {
  const byBar: BarNote[][] = score.bars.map(() => []);
  const heldInto = new Map<string, number>();
  for (const { note, sounding } of struckNotes(score.notes)) {
    const bar = score.bars[note.bar];
    if (!bar || note.grace !== null) continue;
    byBar[note.bar]?.push({
      note,
      at: note.onset - bar.onset,
      length: sounding,
      key: note.midi,
      step: note.pitch ? staffPosition(note.pitch) : null,
    });
    const end = note.onset + sounding;
    for (let b = note.bar + 1; b < score.bars.length && (score.bars[b]?.onset ?? Infinity) < end; b += 1) {
      const until = Math.min(end - (score.bars[b]?.onset ?? 0), score.bars[b]?.length ?? 0);
      const key = `${note.part} ${note.staff} ${b}`;
      heldInto.set(key, Math.max(heldInto.get(key) ?? 0, until));
    }
  }
  const sounding = new Set(byBar.flatMap((notes) => notes.map((n) => `${n.note.part} ${n.note.staff}`)));
  const staves = score.parts
    .flatMap((p) => Array.from({ length: p.staves }, (_, s) => ({ part: p.id, staff: s + 1 })))
    .filter(({ part, staff }) => sounding.has(`${part} ${staff}`));
  return { byBar, heldInto, staves };
}

/** What is struck in each bar, found once a score; grace notes aside. */
export const struckBars = perScore(findStruckBars);
