import { perScore, type Score } from '../score';
import { struckBars, type BarNote, type Staff } from './struck-bars';

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

const order = (a: BarNote, b: BarNote): number =>
  a.at - b.at || a.note.staff - b.note.staff || (a.key ?? -1) - (b.key ?? -1) || a.length - b.length;

const freshClasses = (): LineClasses => ({
  exact: new Classes(),
  rhythm: new Classes(),
  chromatic: new Classes(),
  diatonic: new Classes(),
  notes: new Classes(),
});

/** Reads bars of one staff, or of all together (null); classes are of what one reader read. */
function barReader(score: Score, staff: Staff | null): (bar: number) => BarContent {
  const { byBar, heldInto } = struckBars(score);
  const classes = freshClasses();
  return (bar) => {
    const all = byBar[bar] ?? [];
    const mine =
      staff === null ? [...all] : all.filter((n) => n.note.part === staff.part && n.note.staff === staff.staff);
    const held = staff === null ? 0 : (heldInto.get(`${staff.part} ${staff.staff} ${bar}`) ?? 0);
    return contentOf(mine.sort(order), score.bars[bar]?.length ?? 0, held, classes);
  };
}

/** The staff of a line; null for all together, where there is more than one. */
function staffOf(score: Score, part: string | null, staff: number | null): Staff | null {
  const { staves } = struckBars(score);
  return part === null || staff === null ? (staves.length === 1 ? (staves[0] ?? null) : null) : { part, staff };
}

/**
 * Some bars of a line, in the order asked for, without reading the others.
 *
 * @example someBars(score, { part: null, staff: null }, [0, 4]).length // → 2
 */
export const someBars = (
  score: Score,
  { part, staff }: Pick<Line, 'part' | 'staff'>,
  bars: readonly number[],
): readonly BarContent[] => bars.map(barReader(score, staffOf(score, part, staff)));

/** Every staff as a line of bars, and all together. */
export interface BarLines {
  readonly all: Line;
  readonly staves: readonly Line[];
}

function findBarLines(score: Score): BarLines {
  const { staves } = struckBars(score);
  const line = (staff: Staff | null, single = false): Line => {
    const read = barReader(score, staff);
    return {
      part: single ? null : (staff?.part ?? null),
      staff: single ? null : (staff?.staff ?? null),
      bars: score.bars.map((_, i) => read(i)),
    };
  };
  if (staves.length <= 1) {
    const all = line(staves[0] ?? null, true);
    return { all, staves: [all] };
  }
  return { all: line(null), staves: staves.map((staff) => line(staff)) };
}

/**
 * Every staff as a line of bars, then all together; a piece with one staff gives just the one, as "all". Found once a
 * score.
 *
 * @example barLines(score).all.bars.length // → 8
 */
export const barLines = perScore(findBarLines);
