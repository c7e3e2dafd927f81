import type { TapJudgement, TapVerdict } from './judge-taps';

/** Where a note stands in a rhythm. */
export interface CellPlace {
  /** The rhythm of its bar, `a`; bars with the same rhythm share it. */
  readonly cell: string;
  /** As it is counted: `2 &`. */
  readonly count: string;
}

/** A beat of a rhythm that goes wrong in the same way wherever it comes. */
export interface LeaningBeat extends CellPlace {
  readonly verdict: Exclude<TapVerdict, 'right'>;
  /** So often, of so many. */
  readonly times: number;
  readonly of: number;
  /** Seconds behind the note in the middle of them, before it below 0; null where it was missed. */
  readonly off: number | null;
}

/** At least so often, and in so many of all its places **[from memory]**. */
const FEWEST = 2;
const MOSTLY = 0.6;

const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / Math.max(1, list.length);

/**
 * Which beats of which rhythm are early, late or missed again and again: at least twice, and at most of their places.
 * The most frequent first.
 *
 * @example leaningBeats({ notes: [] }, () => null) // → []
 */
export function leaningBeats(
  { notes }: Pick<TapJudgement, 'notes'>,
  placeOf: (noteId: string) => CellPlace | null,
): readonly LeaningBeat[] {
  const groups = new Map<string, { readonly place: CellPlace; readonly notes: TapJudgement['notes'][number][] }>();
  for (const note of notes) {
    const place = placeOf(note.noteId);
    if (!place) continue;
    const key = `${place.cell} ${place.count}`;
    const there = groups.get(key);
    if (there) there.notes.push(note);
    else groups.set(key, { place, notes: [note] });
  }
  return [...groups.values()]
    .flatMap(({ place, notes: all }): LeaningBeat[] =>
      (['early', 'late', 'missed'] as const).flatMap((verdict) => {
        const leaning = all.filter((n) => n.verdict === verdict);
        if (leaning.length < FEWEST || leaning.length < MOSTLY * all.length) return [];
        const offs = leaning.flatMap((n) => (n.off === null ? [] : [n.off]));
        return [{ ...place, verdict, times: leaning.length, of: all.length, off: offs.length > 0 ? mean(offs) : null }];
      }),
    )
    .sort((a, b) => b.times - a.times);
}

const COMES: Readonly<Record<LeaningBeat['verdict'], string>> = {
  early: 'comes early',
  late: 'comes late',
  missed: 'is missed',
};

/**
 * A leaning beat in words.
 *
 * @example
 * leaningWords({ cell: 'a', count: '2 &', verdict: 'early', times: 3, of: 3, off: -0.1 })
 * // → 'In rhythm a, “2 &” comes early: 3 of 3 times, by about 100 thousandths of a second.'
 */
export function leaningWords({ cell, count, verdict, times, of, off }: LeaningBeat): string {
  const by = off === null ? '' : `, by about ${Math.round(Math.abs(off) * 1000)} thousandths of a second`;
  return `In rhythm ${cell}, “${count}” ${COMES[verdict]}: ${times} of ${of} times${by}.`;
}
