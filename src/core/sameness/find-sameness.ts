import { barSeconds, playingOrder, type Score } from '../score';
import { barLines, type BarContent, type Line } from './bar-content';
import { barSimilarity, diffBars, oneNoteOther } from './bar-similarity';

export type RepeatKind = 'exact' | 'changed' | 'moved' | 'sequence' | 'rhythm';

/** Notes that differ in one pair of bars: those of the later place, and those of the earlier. */
export interface Difference {
  readonly bar: number;
  readonly noteIds: readonly string[];
  readonly aBar: number;
  readonly aNoteIds: readonly string[];
}

/** Two places that are the same in some way. `part` and `staff` are null where all staves agree. */
export interface Repeat {
  readonly kind: RepeatKind;
  readonly part: string | null;
  readonly staff: number | null;
  readonly a: readonly [number, number];
  readonly b: readonly [number, number];
  /** How far the second place lies above the first; 0 unless moved. */
  readonly semitones: number;
  /** The same in staff steps. */
  readonly steps: number;
  /** Moved by staff steps inside the key, so that semitones differ from note to note. */
  readonly diatonic: boolean;
  /** How often a sequence comes, the model counted; 2 for all other kinds. */
  readonly times: number;
  readonly differences: readonly Difference[];
  /** Seconds of practice it may save, by the weights of the pay-off. */
  readonly saves: number;
}

/** A figure of `period` bars that goes on unchanged. */
export interface Ostinato {
  readonly part: string | null;
  readonly staff: number | null;
  readonly from: number;
  readonly to: number;
  readonly period: number;
}

export interface Sameness {
  readonly repeats: readonly Repeat[];
  readonly ostinatos: readonly Ostinato[];
}

interface Found {
  readonly kind: RepeatKind;
  readonly i: number;
  readonly j: number;
  readonly length: number;
  readonly semitones: number;
  readonly steps: number;
  readonly diatonic: boolean;
  readonly times: number;
}

/** How much of its time a copy of each kind need not be learned again. Chosen by us; the pay-off uses the same. */
const SAVED: Readonly<Record<RepeatKind, number>> = { exact: 1, changed: 0.8, moved: 0.6, sequence: 0.6, rhythm: 0.3 };
/** Bars less alike than this are "other notes" inside a changed repeat. */
const ALIKE = 0.62;
/** A bar that is not alike may stand inside or at the end of a changed repeat when it has at least this. */
const RELATED = 0.4;
/**
 * Comparing every bar with every other grows with the square: longer pieces are refused by the faces that call this
 * (`fitsSameness`).
 */
export const MOST_BARS_FOR_SAMENESS = 2500;
export const fitsSameness = (score: Score): boolean => score.bars.length <= MOST_BARS_FOR_SAMENESS;
/**
 * Bars above which only exact, moved and rhythm runs are looked for: comparing every pair of bars note by note grows
 * with the square.
 */
const MOST_BARS_FOR_CHANGED = 2500;

const found = (kind: RepeatKind, i: number, j: number, length: number, more: Partial<Found> = {}): Found => ({
  kind,
  i,
  j,
  length,
  semitones: 0,
  steps: 0,
  diatonic: false,
  times: 2,
  ...more,
});

/**
 * Maximal runs on one diagonal where `same(i, i + d)` holds; no longer than the distance, so that the places never
 * overlap.
 */
function runs(
  bars: number,
  d: number,
  same: (i: number, j: number) => boolean,
  emit: (i: number, length: number) => void,
): void {
  let start = -1;
  for (let i = 0; i + d <= bars; i += 1) {
    const holds = i + d < bars && same(i, i + d);
    if (holds && start < 0) start = i;
    if (start >= 0 && (!holds || i - start === d)) {
      emit(start, i - start);
      start = holds ? i : -1;
    }
  }
}

function exactRuns(line: Line): Found[] {
  const out: Found[] = [];
  const { bars } = line;
  const same = (i: number, j: number): boolean => (bars[i]?.exact ?? -1) === (bars[j]?.exact ?? -1);
  for (let d = 1; d < bars.length; d += 1)
    runs(bars.length, d, same, (i, length) => {
      // Empty bars neither begin nor end a repeat, and alone are none.
      let from = i;
      let to = i + length - 1;
      while (from <= to && bars[from]?.notes.length === 0) from += 1;
      while (to >= from && bars[to]?.notes.length === 0) to -= 1;
      if (to >= from) out.push(found('exact', from, from + d, to - from + 1));
    });
  return out;
}

function movedRuns(line: Line, which: 'chromatic' | 'diatonic'): Found[] {
  const out: Found[] = [];
  const { bars } = line;
  for (let d = 1; d < bars.length; d += 1) {
    let shift: { key: number; step: number } | null = null;
    let start = -1;
    const close = (end: number): void => {
      // A single bar of one or two notes that comes higher is melody, not a copy.
      if (start >= 0 && shift && (end - start >= 2 || (end - start === 1 && (bars[start]?.notes.length ?? 0) >= 3)))
        out.push(
          found('moved', start, start + d, end - start, {
            semitones: shift.key,
            steps: shift.step,
            diatonic: which === 'diatonic',
          }),
        );
      start = -1;
      shift = null;
    };
    for (let i = 0; i + d < bars.length; i += 1) {
      const a = bars[i];
      const b = bars[i + d];
      const same = a && b && a[which] >= 0 && a[which] === b[which] && a.anchor && b.anchor;
      const here: { key: number; step: number } | null =
        same && a.anchor && b.anchor ? { key: b.anchor.key - a.anchor.key, step: b.anchor.step - a.anchor.step } : null;
      const moves = here !== null && (which === 'chromatic' ? here.key !== 0 : here.step !== 0);
      const goesOn: boolean =
        moves &&
        shift !== null &&
        (which === 'chromatic' ? shift.key === here.key : shift.step === here.step) &&
        i - start < d;
      if (goesOn) continue;
      close(i);
      if (moves) {
        start = i;
        shift = here;
      }
    }
    close(bars.length - d);
  }
  return out;
}

function rhythmRuns(line: Line): Found[] {
  const out: Found[] = [];
  const { bars } = line;
  for (let d = 1; d < bars.length; d += 1)
    runs(
      bars.length,
      d,
      (i, j) => (bars[i]?.rhythm ?? -1) >= 0 && bars[i]?.rhythm === bars[j]?.rhythm,
      (i, length) => {
        if (length >= 2) out.push(found('rhythm', i, i + d, length));
      },
    );
  return out;
}

/** Similarity of bars by class, computed once a pair. */
function similarities(bars: readonly BarContent[]): (i: number, j: number) => number {
  const classes = Math.max(0, ...bars.map((b) => b.exact)) + 1;
  const known = new Float32Array(classes * classes).fill(-1);
  return (i, j) => {
    const a = bars[i];
    const b = bars[j];
    if (!a || !b) return 0;
    if (a.exact === b.exact) return 1;
    if (a.exact < 0 || b.exact < 0) return 0;
    const at = a.exact < b.exact ? a.exact * classes + b.exact : b.exact * classes + a.exact;
    const there = known[at] ?? -1;
    if (there >= 0) return there;
    // Bars of the same rhythm with one other note count as alike even where few notes make the share small.
    const value = oneNoteOther(a, b) ? Math.max(ALIKE, barSimilarity(a, b)) : barSimilarity(a, b);
    known[at] = value;
    return value;
  };
}

/**
 * Changed repeats on one diagonal: stretches of alike bars, with related ones among them and at their end as long as
 * there are at least three alike bars for each other one. Something must differ, and at least half of the bars must be
 * closely alike.
 */
function changedRuns(line: Line, similarity: (i: number, j: number) => number): Found[] {
  const out: Found[] = [];
  const { bars } = line;
  const n = bars.length;
  const alike = (i: number, d: number): boolean => similarity(i, i + d) >= ALIKE;
  for (let d = 1; d < n; d += 1) {
    let i = 0;
    while (i + d < n) {
      if (!alike(i, d)) {
        i += 1;
        continue;
      }
      let good = 0;
      let other = 0;
      let close = 0;
      let differs = false;
      let end = i;
      while (end + d < n && end - i < d) {
        const s = similarity(end, end + d);
        if (alike(end, d)) good += 1;
        else if (s >= RELATED) other += 1;
        else break;
        if (other > good / 3) break;
        if (s > ALIKE + 1e-6) close += 1;
        if (s < 1) differs = true;
        end += 1;
      }
      const length = end - i;
      const enough = length >= 2 ? close * 2 >= length : close === 1 && (bars[i]?.notes.length ?? 0) >= 3;
      if (differs && enough) out.push(found('changed', i, i + d, length));
      i = Math.max(end, i + 1);
    }
  }
  return out;
}

/** Chains of a model and copies of it, each moved by the same number of staff steps from the one before. */
function sequences(line: Line): Found[] {
  const { bars } = line;
  const out: Found[] = [];
  const taken = new Set<string>();
  for (let length = 1; length <= Math.min(8, bars.length / 2); length += 1)
    for (let i = 0; i + 2 * length <= bars.length; i += 1) {
      const step = (at: number): number | null => {
        let moved: number | null = null;
        for (let k = 0; k < length; k += 1) {
          const a = bars[at + k];
          const b = bars[at + length + k];
          if (!a?.anchor || !b?.anchor || a.diatonic < 0 || a.diatonic !== b.diatonic) return null;
          const by = b.anchor.step - a.anchor.step;
          if (by === 0 || (moved !== null && moved !== by)) return null;
          moved = by;
        }
        return moved;
      };
      const first = step(i);
      if (first === null || Math.abs(first) > 5) continue;
      let times = 2;
      while (i + (times + 1) * length <= bars.length && step(i + (times - 1) * length) === first) times += 1;
      // A single bar of one note that moves is melody, not a sequence.
      const notes = bars.slice(i, i + length).reduce((sum, b) => sum + b.notes.length, 0);
      if (notes < 3 || (length === 1 && times === 2 && notes < 4)) continue;
      const span = `${i} ${i + times * length}`;
      if (taken.has(span) || [...taken].some((t) => covers(t, i, i + times * length))) continue;
      taken.add(span);
      const a = bars[i]?.anchor;
      const b = bars[i + length]?.anchor;
      out.push(
        found('sequence', i, i + length, length, {
          steps: first,
          semitones: a && b ? b.key - a.key : 0,
          diatonic: bars[i]?.chromatic !== bars[i + length]?.chromatic,
          times,
        }),
      );
    }
  return out;
}

function covers(span: string, from: number, to: number): boolean {
  const [a = 0, b = 0] = span.split(' ').map(Number);
  return a <= from && b >= to;
}

function findOstinatos(line: Line): Ostinato[] {
  const { bars, part, staff } = line;
  const out: Ostinato[] = [];
  for (const period of [1, 2, 4]) {
    let start = 0;
    for (let i = period; i <= bars.length; i += 1) {
      const goes = i < bars.length && (bars[i]?.exact ?? -1) >= 0 && bars[i]?.exact === bars[i - period]?.exact;
      if (goes) continue;
      const from = start;
      const to = i - 1;
      if (to - from + 1 >= Math.max(4, period * 3) && !out.some((o) => o.from <= from && o.to >= to))
        out.push({ part, staff, from, to, period });
      start = i - period + 1;
    }
  }
  return out;
}

/** How much a kind says: a place explained by a higher one needs no lower one. */
const RANK: Readonly<Record<RepeatKind, number>> = { exact: 4, changed: 3, moved: 2, sequence: 2, rhythm: 1 };

/** Bars that a finding explains: the second place, or all copies of a sequence. */
const reach = (f: Found): number => f.length * (f.times - 1);

/**
 * Closest kind first, then the widest reach, then the earliest model; what a better finding explains already is left
 * out.
 */
function select(all: readonly Found[]): Found[] {
  const ordered = [...all].sort(
    (x, y) =>
      RANK[y.kind] - RANK[x.kind] ||
      reach(y) - reach(x) ||
      Number(y.kind === 'sequence') - Number(x.kind === 'sequence') ||
      x.i - y.i ||
      x.j - y.j ||
      Number(x.diatonic) - Number(y.diatonic),
  );
  const kept: Found[] = [];
  // A changed repeat is wider than the exact ones inside it and says more than they do: both stay.
  // Farthest end of what is kept, by first bar: a place lies inside one of them when a start at or before it reaches
  // its end.
  const ends: number[] = [];
  for (const f of ordered) {
    const end = f.j + reach(f);
    let inside = false;
    for (let j = 0; j <= f.j && !inside; j += 1) inside = (ends[j] ?? 0) >= end;
    if (inside) continue;
    kept.push(f);
    ends[f.j] = Math.max(ends[f.j] ?? 0, end);
  }
  return kept;
}

/**
 * Everything that comes again, for all staves together and for each alone, best savings first. Ranges are maximal; a
 * place that is explained by a longer or closer repeat is not listed again with a weaker one. `progress` is told 0 to 1
 * and may stop the search by returning false; then what was found so far comes back.
 */
export function findSameness(score: Score, progress: (share: number) => boolean = () => true): Sameness {
  const { all, staves } = barLines(score);
  const lines = staves.length === 1 ? [all] : [all, ...staves];
  const played = score.bars.map(() => 0);
  for (const bar of playingOrder(score.bars).order) played[bar] = (played[bar] ?? 0) + 1;
  const secondsOf = score.bars.map((bar, i) => barSeconds(score, bar) * Math.max(1, played[i] ?? 1));
  const repeats: Repeat[] = [];
  const ostinatos: Ostinato[] = [];
  const together: Found[] = [];
  for (const [index, line] of lines.entries()) {
    if (!progress(index / lines.length)) break;
    const figures = findOstinatos(line).filter(
      (o) => !ostinatos.some((k) => k.part === null && k.from <= o.from && k.to >= o.to && k.period === o.period),
    );
    ostinatos.push(...figures);
    const similarity = similarities(line.bars);
    const findings = [
      ...exactRuns(line),
      ...(line.bars.length <= MOST_BARS_FOR_CHANGED ? changedRuns(line, similarity) : []),
      ...movedRuns(line, 'chromatic'),
      ...movedRuns(line, 'diatonic'),
      ...sequences(line),
      ...rhythmRuns(line),
    ];
    // Inside a figure that goes on unchanged only its first coming again is told.
    const withoutFigures = findings.filter(
      (f) =>
        !figures.some(
          (o) =>
            f.j >= o.from + o.period &&
            f.j + f.length - 1 <= o.to &&
            !(f.kind === 'exact' && f.i === o.from && f.j === o.from + o.period && f.length === o.period),
        ),
    );
    const kept = select(withoutFigures).filter(
      (f) =>
        line === all ||
        !together.some(
          (t) =>
            t.kind === f.kind &&
            t.i <= f.i &&
            t.j <= f.j &&
            t.i + t.length >= f.i + f.length &&
            t.j - t.i === f.j - f.i,
        ),
    );
    if (line === all) together.push(...kept);
    const share = line === all ? 1 : 1 / staves.length;
    for (const f of kept) {
      const time = secondsOf.slice(f.j, f.j + f.length * (f.times - 1)).reduce((sum, s) => sum + s, 0);
      repeats.push({
        kind: f.kind,
        part: line.part,
        staff: line.staff,
        a: [f.i, f.i + f.length - 1],
        b: [f.j, f.j + f.length - 1],
        semitones: f.semitones,
        steps: f.steps,
        diatonic: f.diatonic,
        times: f.times,
        differences: f.kind === 'changed' ? differencesOf(line, f) : [],
        saves: time * SAVED[f.kind] * share,
      });
    }
  }
  progress(1);
  return { repeats: repeats.sort((x, y) => y.saves - x.saves || x.a[0] - y.a[0] || x.b[0] - y.b[0]), ostinatos };
}

function differencesOf(line: Line, f: Pick<Found, 'i' | 'j' | 'length'>): Difference[] {
  const out: Difference[] = [];
  for (let k = 0; k < f.length; k += 1) {
    const a = line.bars[f.i + k];
    const b = line.bars[f.j + k];
    if (!a || !b || a.exact === b.exact) continue;
    const { onlyA, onlyB } = diffBars(a, b);
    out.push({
      bar: f.j + k,
      noteIds: onlyB.map((n) => n.note.id),
      aBar: f.i + k,
      aNoteIds: onlyA.map((n) => n.note.id),
    });
  }
  return out;
}
