import { barLines, barSimilarity, type BarContent } from '../sameness';
import { isBlankBar, type Score } from '../score';

/** Bars as indexes, both included. */
export type Bars = readonly [number, number];

/** A place that is the same as an earlier one. */
export interface Copy {
  readonly like: Bars;
  readonly kind: 'exact' | 'moved' | 'changed';
  /** Staff steps it lies above its model, where all that moves, moves alike; 0 where some hands stay. */
  readonly steps: number;
  /** Bars of the copy that are not as in the model. */
  readonly differs: readonly number[];
}

/** A bar less alike than this is another bar (the bound of a changed repeat). */
const ALIKE = 0.62;
/** A single bar of fewer notes that lies elsewhere is melody, not the same again (the bound of a moved repeat). */
const LEAST_NOTES_ALONE = 3;
/** At most this share of the bars of a copy may be other ones. Chosen by us: half of it must be known. */
const MOST_OTHER = 0.5;

/** Bars from which a place that lies elsewhere may end otherwise. Chosen by us. */
const LEAST_WITH_ANOTHER_END = 4;

/** The staves of a score bar by bar, to compare places. */
export interface PlaceLines {
  readonly staves: readonly (readonly BarContent[])[];
  /** Staves as hands or parts are named by a score: 1 is the right hand of a keyboard. */
  readonly staffNumbers: readonly (number | null)[];
  /** Of each bar whether nothing is written in it: what is played there is not known. */
  readonly blank: readonly boolean[];
}

export function placeLines(score: Score): PlaceLines {
  const { staves } = barLines(score);
  return {
    staves: staves.map((s) => s.bars),
    staffNumbers: staves.map((s) => s.staff),
    blank: score.bars.map(isBlankBar),
  };
}

/** Whether anything is played in the bars, or may be: what is not written is learned from the page. */
export const isPlayed = ({ staves, blank }: PlaceLines, [from, to]: Bars): boolean =>
  blank.slice(from, to + 1).includes(true) ||
  staves.some((bars) => bars.slice(from, to + 1).some((b) => b.notes.length > 0));

/** How a bar moved from its model, in staff steps; 0 where it is the same, null where it is another bar. */
function shiftOf(a: BarContent | undefined, b: BarContent | undefined): number | null {
  if (!a || !b) return null;
  if (a.exact === b.exact) return 0;
  if (!a.anchor || !b.anchor) return null;
  return a.chromatic === b.chromatic || a.diatonic === b.diatonic ? b.anchor.step - a.anchor.step : null;
}

/** The shift that most bars of a staff have; the smaller one of two. Empty bars say nothing. */
function usualShift(a: readonly BarContent[], b: readonly BarContent[]): number {
  const votes = new Map<number, number>();
  b.forEach((bar, k) => {
    const by = bar.notes.length === 0 ? null : shiftOf(a[k], bar);
    if (by !== null) votes.set(by, (votes.get(by) ?? 0) + 1);
  });
  return [...votes].sort(([x, m], [y, n]) => n - m || Math.abs(x) - Math.abs(y))[0]?.[0] ?? 0;
}

interface StaffRelation {
  readonly shift: number;
  /** 1 for bars that are other ones, 1/2 for bars that are alike, 0 for the same. */
  readonly otherness: readonly number[];
  readonly notes: number;
}

function staffRelation(a: readonly BarContent[], b: readonly BarContent[]): StaffRelation {
  const shift = usualShift(a, b);
  const otherness = b.map((bar, k) => {
    const model = a[k];
    if (!model) return 1;
    if (bar.notes.length === 0 && model.notes.length === 0) return 0;
    if (shiftOf(model, bar) === shift) return 0;
    return shift === 0 && barSimilarity(model, bar) >= ALIKE ? 0.5 : 1;
  });
  return { shift, otherness, notes: b.reduce((sum, bar) => sum + bar.notes.length, 0) };
}

/**
 * Whether so much is the same, bar by bar, that it is learned as a copy: half of it, two bars at least where some are
 * other ones. What lies elsewhere has to be all the same, a last bar of a longer place aside.
 */
function isEnough(otherness: readonly number[], moves: boolean): boolean {
  const other = otherness.reduce((sum, o) => sum + o, 0);
  if (other === 0) return true;
  const same = otherness.filter((o) => o === 0).length;
  if (moves) return otherness.length >= LEAST_WITH_ANOTHER_END && otherness.slice(0, -1).every((o) => o === 0);
  return same > 0 && other <= MOST_OTHER * otherness.length && (same >= 2 || other <= MOST_OTHER);
}

/**
 * What `place` is to `model`, an earlier place: the same, the same elsewhere, the same but for some bars; null where it
 * is another place. Each staff may move by itself, or stay.
 */
export function copyOf({ staves, blank }: PlaceLines, model: Bars, place: Bars): Copy | null {
  const length = place[1] - place[0] + 1;
  if (model[1] - model[0] + 1 !== length) return null;
  // What is not written is like nothing.
  if ([model, place].some(([from, to]) => blank.slice(from, to + 1).includes(true))) return null;
  const related = staves
    .map((bars) => staffRelation(bars.slice(model[0], model[1] + 1), bars.slice(place[0], place[1] + 1)))
    .filter(
      (s, i) => s.notes > 0 || (staves[i]?.slice(model[0], model[1] + 1).some((b) => b.notes.length > 0) ?? false),
    );
  if (related.length === 0) return null;
  const worst = Array.from({ length }, (_, k) => Math.max(...related.map((s) => s.otherness[k] ?? 1)));
  const differs = worst.flatMap((other, k) => (other > 0 ? [place[0] + k] : []));
  const moves = related.filter((s) => s.shift !== 0);
  if (moves.length > 0 && length === 1 && moves.every((s) => s.notes < LEAST_NOTES_ALONE)) return null;
  if (!isEnough(worst, moves.length > 0)) return null;
  const [first] = moves;
  const steps = first && related.every((s) => s.shift === first.shift) ? first.shift : 0;
  return { like: model, kind: differs.length > 0 ? 'changed' : moves.length > 0 ? 'moved' : 'exact', steps, differs };
}

const CLOSENESS = { exact: 0, moved: 1, changed: 2 } as const satisfies Record<Copy['kind'], number>;

/** So many places, the earliest that may be, are held against one. Chosen by us: more than a piece of a lesson has. */
const MOST_MODELS = 200;

/** Places that were met, to find what a later one is a copy of without comparing it with each. */
export interface EarlierPlaces {
  readonly add: (place: Bars) => void;
  /** Numbers of the places, in the order in which they were added, of which one may be a copy. */
  readonly likely: (place: Bars) => readonly number[];
  /** The closest of the places to one, the first of equals; null where it is new. */
  readonly closest: (place: Bars) => Copy | null;
}

/** The staff whose bars tell most: with the most shapes. */
function tellingStaff({ staves }: PlaceLines): readonly BarContent[] {
  const shapes = staves.map((bars) => new Set(bars.map((b) => b.diatonic)).size);
  return staves[shapes.indexOf(Math.max(...shapes))] ?? [];
}

/** No place yet. A copy has a bar in common with its model, note by note or by its shape; by these models are found. */
export function earlierPlaces(lines: PlaceLines): EarlierPlaces {
  const places: Bars[] = [];
  const holding = new Map<string, number[]>();
  const first = new Map<string, number>();
  const telling = tellingStaff(lines);
  const lengthOf = ([from, to]: Bars): number => to - from + 1;
  const traitsOf = (place: Bars): readonly string[] =>
    telling
      .slice(place[0], place[1] + 1)
      .flatMap((bar, k) => [`${lengthOf(place)} ${k} c${bar.chromatic}`, `${lengthOf(place)} ${k} d${bar.diatonic}`]);
  const contentOf = (place: Bars): string =>
    lines.staves
      .map((bars) =>
        bars
          .slice(place[0], place[1] + 1)
          .map((b) => b.exact)
          .join(' '),
      )
      .join('|');
  const likely = (place: Bars): readonly number[] => {
    const found = new Set<number>();
    const same = first.get(contentOf(place));
    if (same !== undefined) found.add(same);
    for (const trait of traitsOf(place))
      for (const index of (holding.get(trait) ?? []).slice(0, MOST_MODELS)) found.add(index);
    return [...found].sort((a, b) => a - b);
  };
  return {
    add: (place) => {
      const index = places.length;
      places.push(place);
      const content = contentOf(place);
      if (!first.has(content)) first.set(content, index);
      for (const trait of traitsOf(place)) {
        const list = holding.get(trait);
        if (list) list.push(index);
        else holding.set(trait, [index]);
      }
    },
    likely,
    closest: (place) => {
      let best: Copy | null = null;
      for (const index of likely(place)) {
        const model = places[index];
        const copy = model ? copyOf(lines, model, place) : null;
        if (copy && (best === null || CLOSENESS[copy.kind] < CLOSENESS[best.kind])) best = copy;
        if (best?.kind === 'exact') break;
      }
      return best;
    },
  };
}

/**
 * Of some places those that may be the same as one in some staff, by their numbers in order: such places have the same
 * rhythm there.
 */
export function sameInStaff({ staves }: PlaceLines, places: readonly Bars[]): (place: Bars) => readonly number[] {
  const keysOf = ([from, to]: Bars): readonly string[] =>
    staves.map((bars, staff) => {
      const rhythms = bars.slice(from, to + 1).map((b) => b.rhythm);
      return `${staff}|${rhythms.join(' ')}`;
    });
  const holding = new Map<string, number[]>();
  places.forEach((place, index) => {
    for (const key of keysOf(place)) {
      const list = holding.get(key) ?? [];
      holding.set(key, list);
      if (list.length < MOST_MODELS) list.push(index);
    }
  });
  return (place) => [...new Set(keysOf(place).flatMap((key) => holding.get(key) ?? []))].sort((a, b) => a - b);
}

/** Staves of which every bar is as in the model, where not all of them are: one hand the same, the other new. */
export function sameStaves({ staves, staffNumbers }: PlaceLines, model: Bars, place: Bars): readonly number[] {
  const same = staves.flatMap((bars, i) => {
    const there = bars.slice(place[0], place[1] + 1);
    if (there.every((b) => b.notes.length === 0)) return [];
    const { shift, otherness } = staffRelation(bars.slice(model[0], model[1] + 1), there);
    return shift === 0 && otherness.every((o) => o === 0) ? [staffNumbers[i] ?? 1] : [];
  });
  return same.length < staves.length ? same : [];
}
