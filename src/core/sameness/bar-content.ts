import { staffPosition, struckNotes, type Note, type Score } from '../score';

/** A struck note of a bar as sameness sees it: place and length in ticks from the bar line, spelling, sounding key. */
export interface BarNote {
  readonly note: Note;
  readonly at: number;
  readonly length: number;
  readonly key: number | null;
  /** Steps above C0; null without a pitch. */
  readonly step: number | null;
}

/** One bar of one line, with class numbers: equal numbers mean the same thing. -1 where there is nothing to compare. */
export interface BarContent {
  readonly notes: readonly BarNote[];
  /** Same spelled pitches and rhythm. */
  readonly exact: number;
  /** Same rhythm, rests included. */
  readonly rhythm: number;
  /** Same rhythm and the same intervals in semitones from the first note. */
  readonly chromatic: number;
  /** Same rhythm and the same intervals in staff steps from the first note. */
  readonly diatonic: number;
  /** Sorted class numbers of the notes (place and pitch; with length) and of the strikes, for quick comparing. */
  readonly faces: readonly number[];
  readonly fullFaces: readonly number[];
  readonly strikes: readonly number[];
  /** Sounding key and staff step of the lowest note at the first onset; null without pitches. */
  readonly anchor: { readonly key: number; readonly step: number } | null;
}

/** A staff of a part, or all of them together (`part` and `staff` null). */
export interface Line {
  readonly part: string | null;
  readonly staff: number | null;
  readonly bars: readonly BarContent[];
}

/** Place and pitch of a note as text. */
export const noteFace = (n: BarNote): string =>
  `${n.note.part} ${n.note.staff} ${n.at} ${n.step ?? 'x'} ${n.key ?? 'x'}`;

class Classes {
  private readonly numbers = new Map<string, number>();
  of(key: string): number {
    const known = this.numbers.get(key);
    if (known !== undefined) return known;
    this.numbers.set(key, this.numbers.size);
    return this.numbers.size - 1;
  }
}

interface LineClasses {
  readonly exact: Classes;
  readonly rhythm: Classes;
  readonly chromatic: Classes;
  readonly diatonic: Classes;
  readonly notes: Classes;
}

const ascending = (a: number, b: number): number => a - b;

/**
 * Ornaments, fingers and dynamics play no part; a note tied over from before counts as held rhythm, not as a strike.
 */
function contentOf(notes: readonly BarNote[], barLength: number, heldUntil: number, classes: LineClasses): BarContent {
  if (notes.length === 0)
    return {
      notes,
      exact: -1,
      rhythm: -1,
      chromatic: -1,
      diatonic: -1,
      faces: [],
      fullFaces: [],
      strikes: [],
      anchor: null,
    };
  // What happens when: strikes with their lengths inside the bar. A longer note over the bar line is as long as the bar
  // lets it.
  const rhythm = [...new Set(notes.map((n) => `${n.note.staff}:${n.at}+${Math.min(n.length, barLength - n.at)}`))].join(
    ' ',
  );
  const head = `${barLength} ${heldUntil > 0 ? 'h' : ''}`;
  const pitched = notes.filter((n) => n.key !== null && n.step !== null);
  const [first] = pitched;
  const anchor = first && first.key !== null && first.step !== null ? { key: first.key, step: first.step } : null;
  const face = (pitch: (n: BarNote) => string): string =>
    `${head}|${notes.map((n) => `${n.note.staff}:${n.at}+${Math.min(n.length, barLength - n.at)}=${n.step === null ? 'x' : pitch(n)}`).join(' ')}`;
  return {
    notes,
    exact: classes.exact.of(face((n) => `${n.step}/${n.key}`)),
    rhythm: classes.rhythm.of(`${head}|${rhythm}`),
    chromatic: anchor ? classes.chromatic.of(face((n) => String((n.key ?? 0) - anchor.key))) : -1,
    diatonic: anchor ? classes.diatonic.of(face((n) => String((n.step ?? 0) - anchor.step))) : -1,
    faces: notes.map((n) => classes.notes.of(noteFace(n))).sort(ascending),
    fullFaces: notes.map((n) => classes.notes.of(`${noteFace(n)} ${n.length}`)).sort(ascending),
    strikes: notes.map((n) => classes.notes.of(`${n.note.part} ${n.note.staff} ${n.at}`)).sort(ascending),
    anchor,
  };
}

/**
 * Every staff as a line of bars, then all together; a piece with one staff gives just the one, as "all".
 *
 * @example barLines(score).all.bars.length // → 8
 */
export function barLines(score: Score): { readonly all: Line; readonly staves: readonly Line[] } {
  const struck = struckNotes(score.notes).filter((s) => s.note.grace === null);
  const byBar: BarNote[][] = score.bars.map(() => []);
  const heldInto = new Map<string, number>();
  for (const { note, sounding } of struck) {
    const bar = score.bars[note.bar];
    if (!bar) continue;
    byBar[note.bar]?.push({
      note,
      at: note.onset - bar.onset,
      length: sounding,
      key: note.midi,
      step: note.pitch ? staffPosition(note.pitch) : null,
    });
    for (
      let b = note.bar + 1;
      b < score.bars.length && (score.bars[b]?.onset ?? Infinity) < note.onset + sounding;
      b += 1
    ) {
      const until = Math.min(note.onset + sounding - (score.bars[b]?.onset ?? 0), score.bars[b]?.length ?? 0);
      const key = `${note.part} ${note.staff} ${b}`;
      heldInto.set(key, Math.max(heldInto.get(key) ?? 0, until));
    }
  }
  const order = (a: BarNote, b: BarNote): number =>
    a.at - b.at || a.note.staff - b.note.staff || (a.key ?? -1) - (b.key ?? -1) || a.length - b.length;
  const line = (part: string | null, staff: number | null, single: boolean): Line => {
    const classes: LineClasses = {
      exact: new Classes(),
      rhythm: new Classes(),
      chromatic: new Classes(),
      diatonic: new Classes(),
      notes: new Classes(),
    };
    return {
      part: single ? null : part,
      staff: single ? null : staff,
      bars: score.bars.map((bar, i) => {
        const mine = (byBar[i] ?? []).filter((n) => part === null || (n.note.part === part && n.note.staff === staff));
        const held = part === null ? 0 : (heldInto.get(`${part} ${staff ?? 1} ${i}`) ?? 0);
        return contentOf(mine.sort(order), bar.length, held, classes);
      }),
    };
  };
  const places = score.parts
    .flatMap((p) => Array.from({ length: p.staves }, (_, s) => ({ part: p.id, staff: s + 1 })))
    .filter(({ part, staff }) => struck.some((s) => s.note.part === part && s.note.staff === staff));
  if (places.length <= 1) {
    const [only] = places;
    const all = line(only?.part ?? null, only?.staff ?? null, true);
    return { all, staves: [all] };
  }
  return { all: line(null, null, false), staves: places.map((p) => line(p.part, p.staff, false)) };
}
