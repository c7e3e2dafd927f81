import { rhythmFamilies } from '@/core/sameness';
import { countStaff, type CountingWay } from '@/core/rhythm';
import { SAYINGS, saidTexts, type SaidSources, type Saying } from '@/core/saying';
import type { Note, Score } from '@/core/score';
import { fingersSeen, type Mark } from '@/core/studio';
import type { CellPlace } from '@/core/tapping';

/** Bars of a staff that something is to be said of. */
export interface SaidPlace {
  readonly played: Score;
  readonly from: number;
  readonly to: number;
  readonly staff: number;
}

const notesIn = ({ played, from, to, staff }: SaidPlace): readonly Note[] =>
  played.notes.filter(
    (n) => n.part === played.parts[0]?.id && n.staff === staff && n.bar >= from && n.bar <= to && n.grace === null,
  );

/** What is counted on each note; what lies between beats with its beat: `2 &`. */
function countsOn(place: SaidPlace, way: CountingWay): ReadonlyMap<string, string> {
  const { played, from, to, staff } = place;
  const part = played.parts[0];
  if (!part) return new Map();
  const at = new Map<number, string>();
  for (const bar of countStaff(played, part.id, staff, from, to, way)) {
    let beat = '';
    for (const token of bar.tokens) {
      const isBeat = /^\d/.test(token.text);
      if (isBeat) beat = token.text;
      if (token.sounding) at.set(token.onset, isBeat || beat === '' ? token.text : `${beat} ${token.text}`);
    }
  }
  return new Map(notesIn(place).flatMap((n) => (at.has(n.onset) ? [[n.id, at.get(n.onset) ?? ''] as const] : [])));
}

/** The rhythm of its bar for each note, by note id. */
function cellsOf({ played, staff }: SaidPlace): ReadonlyMap<string, string> {
  const tags = new Map(
    rhythmFamilies(played)
      .filter((f) => f.part === played.parts[0]?.id && f.staff === staff)
      .flatMap((f) => f.bars.map((bar) => [bar, f.tag] as const)),
  );
  return new Map(
    played.notes.flatMap((n) => {
      const tag = tags.get(n.bar);
      return tag === undefined ? [] : [[n.id, tag] as const];
    }),
  );
}

/** Everything that can be said of some bars, and where each note stands in its rhythm. */
export function sayingsOf(
  place: SaidPlace,
  marks: readonly Mark[],
  variant: string,
  way: CountingWay,
): {
  readonly sayings: readonly Saying[];
  readonly saidTexts: (saying: Saying) => ReadonlyMap<string, string>;
  readonly placeOf: (noteId: string) => CellPlace | null;
} {
  const counts = countsOn(place, way);
  const sources: SaidSources = {
    notes: notesIn(place),
    fingers: new Map([...fingersSeen(marks, variant)].map(([id, m]) => [id, m.finger])),
    counts: new Map([...counts].map(([id, text]) => [id, text.split(' ').pop() ?? text])),
    ownWords: new Map(marks.flatMap((m) => (m.kind === 'syllable' ? [[m.noteId, m.text]] : []))),
    verse: '1',
  };
  const texts = new Map(SAYINGS.map((saying) => [saying, saidTexts(saying, sources)]));
  // Found only where something is tapped.
  let cells: ReadonlyMap<string, string> | null = null;
  return {
    sayings: SAYINGS.filter((saying) => (texts.get(saying)?.size ?? 0) > 0),
    saidTexts: (saying) => texts.get(saying) ?? new Map(),
    placeOf: (noteId) => {
      cells ??= cellsOf(place);
      const cell = cells.get(noteId);
      const count = counts.get(noteId);
      return cell === undefined || count === undefined ? null : { cell, count };
    },
  };
}
