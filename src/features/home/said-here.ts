import { rhythmFamilies } from '@/core/sameness';
import { countStaff, type CountingWay } from '@/core/rhythm';
import { SAYINGS, saidTexts, type SaidSources, type Saying } from '@/core/saying';
import type { Note, Score } from '@/core/score';
import type { FingerMark, Mark } from '@/core/studio';
import { FULL_FINGERING } from '@/core/studio';
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

const isFinger = (m: Mark): m is FingerMark => m.kind === 'finger';

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
  const written = marks.flatMap((m) => (isFinger(m) && m.studentId === null ? [m] : []));
  const of = (wanted: string): readonly FingerMark[] => written.filter((m) => (m.variant ?? FULL_FINGERING) === wanted);
  // A variant that was not written yet shows the full one.
  const fingers = of(variant).length > 0 ? of(variant) : of(FULL_FINGERING);
  const sources: SaidSources = {
    notes: notesIn(place),
    fingers: new Map(fingers.map((m) => [m.noteId, m.finger])),
    counts: new Map([...counts].map(([id, text]) => [id, text.split(' ').pop() ?? text])),
    ownWords: new Map(marks.flatMap((m) => (m.kind === 'syllable' ? [[m.noteId, m.text]] : []))),
    verse: '1',
  };
  const texts = new Map(SAYINGS.map((saying) => [saying, saidTexts(saying, sources)]));
  // Found only where something is tapped.
  let cells: ReadonlyMap<number, string> | null = null;
  const barOf = new Map(place.played.notes.map((n) => [n.id, n.bar as number]));
  return {
    sayings: SAYINGS.filter((saying) => (texts.get(saying)?.size ?? 0) > 0),
    saidTexts: (saying) => texts.get(saying) ?? new Map(),
    placeOf: (noteId) => {
      cells ??= new Map(
        rhythmFamilies(place.played)
          .filter((f) => f.part === place.played.parts[0]?.id && f.staff === place.staff)
          .flatMap((f) => f.bars.map((bar) => [bar, f.tag] as const)),
      );
      const cell = cells.get(barOf.get(noteId) ?? -1);
      const count = counts.get(noteId);
      return cell === undefined || count === undefined ? null : { cell, count };
    },
  };
}
