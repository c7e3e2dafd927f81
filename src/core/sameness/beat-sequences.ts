import { beatOnsets, lastWhere, type Score } from '../score';
import type { Line } from './bar-content';
import type { BarNote } from './struck-bars';
import type { BeatSequence, Repeat } from './repeat';
import { prefixMax } from './runs';

/** Longest shape, in beats, that is looked for; longer ones are whole bars. Chosen by us. */
const MOST_BEATS = 8;
/** A shape of fewer notes is melody, not a sequence. Chosen by us. */
const LEAST_NOTES = 3;
/** Inside a bar a shape has to come this often before an ear calls it a sequence. Chosen by us. */
const LEAST_TIMES = 3;
/** A shape moved further than this is heard as another place, not as the next step of a sequence. */
const WIDEST_STEP = 4;

interface Placed extends BarNote {
  /** Ticks from the beginning of the piece. */
  readonly from: number;
  readonly step: number;
  readonly key: number;
}

/** All that is struck with a pitch in a line, in order. */
const placedNotes = (line: Line, score: Score): readonly Placed[] =>
  line.bars.flatMap((bar, i) =>
    bar.notes.flatMap((n) =>
      n.step === null || n.key === null
        ? []
        : [{ ...n, step: n.step, key: n.key, from: (score.bars[i]?.onset ?? 0) + n.at }],
    ),
  );

/** One shape compared with what comes so many ticks later: how far it moved, or null where it is another shape. */
function movedBy({ notes, noteAt }: BeatGrid, from: number, length: number): number | null {
  const first = noteAt.get(from);
  const next = noteAt.get(from + length);
  const end = noteAt.get(from + 2 * length);
  if (first === undefined || next === undefined || end === undefined) return null;
  if (next - first < LEAST_NOTES || end - next !== next - first) return null;
  let moved: number | null = null;
  for (let k = 0; k < next - first; k += 1) {
    const a = notes[first + k];
    const b = notes[next + k];
    if (!a || !b || b.from - a.from !== (notes[next]?.from ?? 0) - (notes[first]?.from ?? 0)) return null;
    if (a.length !== b.length || a.note.staff !== b.note.staff) return null;
    const by = b.step - a.step;
    if (by === 0 || Math.abs(by) > WIDEST_STEP || (moved !== null && by !== moved)) return null;
    moved = by;
  }
  return moved;
}

/** Whether a shape and the note after it only rise or only fall: a scale or a broken chord, not a shape. */
function goesOneWay(notes: readonly Placed[], first: number, last: number): boolean {
  let up = 0;
  let down = 0;
  for (let k = first; k < last; k += 1) {
    const by = (notes[k + 1]?.step ?? 0) - (notes[k]?.step ?? 0);
    if (by > 0) up += 1;
    if (by < 0) down += 1;
  }
  return up === 0 || down === 0;
}

/** The notes of a line and the beats of the piece, in ticks from its beginning. */
interface BeatGrid {
  readonly notes: readonly Placed[];
  readonly beats: readonly { readonly at: number; readonly bar: number }[];
  /** By tick of a beat, and of the end of the piece: the first note there or later. */
  readonly noteAt: ReadonlyMap<number, number>;
  /** By tick of a beat: its bar. */
  readonly barAt: ReadonlyMap<number, number>;
}

function beatGrid(line: Line, score: Score): BeatGrid {
  const notes = placedNotes(line, score);
  const beats = score.bars.flatMap((bar, index) =>
    beatOnsets(bar, score.ticksPerQuarter).flatMap(({ at }) =>
      at < 0 || at >= bar.length ? [] : [{ at: bar.onset + at, bar: index }],
    ),
  );
  const last = score.bars[score.bars.length - 1];
  const noteAt = new Map<number, number>();
  let next = 0;
  for (const at of [...beats.map((b) => b.at), (last?.onset ?? 0) + (last?.length ?? 0)]) {
    while (next < notes.length && (notes[next]?.from ?? 0) < at) next += 1;
    noteAt.set(at, next);
  }
  return { notes, beats, noteAt, barAt: new Map(beats.map((b) => [b.at, b.bar] as const)) };
}

/** A shape and its copies, in ticks from the beginning of the piece. */
interface Chain {
  readonly from: number;
  readonly length: number;
  readonly times: number;
  readonly steps: number;
}

const untilOf = (c: Chain): number => c.from + c.length * c.times;

/** What was told so far: whether a chain is held by one of it, or is the same shape begun a beat earlier. */
function toldChains(beats: number): {
  readonly says: (chain: Chain, beat: number) => boolean;
  readonly tell: (chain: Chain, beat: number) => void;
} {
  // By beat of its beginning: up to where what is told reaches.
  const reach = prefixMax(beats);
  const sameShape = new Map<string, Chain[]>();
  const shapeOf = (c: Chain): string => `${c.length} ${c.steps}`;
  return {
    says: (chain, beat) =>
      reach.upTo(beat) >= untilOf(chain) ||
      (sameShape.get(shapeOf(chain)) ?? []).some((c) => c.from < untilOf(chain) && chain.from < untilOf(c)),
    tell: (chain, beat) => {
      reach.note(beat, untilOf(chain));
      const list = sameShape.get(shapeOf(chain));
      if (list) list.push(chain);
      else sameShape.set(shapeOf(chain), [chain]);
    },
  };
}

/** Every chain of shapes that begin on a beat and are not whole bars, the shortest shapes first. */
function chainsOf(grid: BeatGrid, score: Score, isTold: (chain: Chain) => boolean): readonly Chain[] {
  const { beats, notes, noteAt } = grid;
  const out: Chain[] = [];
  const told = toldChains(beats.length);
  for (let m = 1; m <= MOST_BEATS; m += 1)
    for (let k = 0; k + m < beats.length; k += 1) {
      const from = beats[k]?.at ?? 0;
      const length = (beats[k + m]?.at ?? 0) - from;
      const bar = score.bars[beats[k]?.bar ?? 0];
      const isWholeBars = from === bar?.onset && length % bar.length === 0;
      const steps = isWholeBars ? null : movedBy(grid, from, length);
      if (steps === null) continue;
      let times = 2;
      while (movedBy(grid, from + (times - 1) * length, length) === steps) times += 1;
      const chain: Chain = { from, length, times, steps };
      if (times < LEAST_TIMES || isTold(chain)) continue;
      if (told.says(chain, k) || goesOneWay(notes, noteAt.get(from) ?? 0, noteAt.get(from + length) ?? 0)) continue;
      told.tell(chain, k);
      out.push(chain);
    }
  return out;
}

/**
 * Sequences of one line whose shape begins or ends inside a bar: at least three notes, at least three times, each the
 * same number of staff steps from the one before. Scales and broken chords that go on rising are none; what sequences
 * of whole bars tell already is left out. In the order of the piece.
 */
export function beatSequences(
  line: Line,
  score: Score,
  ofBars: readonly Pick<Repeat, 'a' | 'b' | 'times'>[],
): readonly BeatSequence[] {
  const grid = beatGrid(line, score);
  const { beats, notes, noteAt, barAt } = grid;
  const barBefore = (tick: number): number => beats[lastWhere(beats, (b) => b.at < tick)]?.bar ?? 0;
  const isTold = (chain: Chain): boolean => {
    const [from, to] = [barAt.get(chain.from) ?? 0, barBefore(untilOf(chain))];
    // The same bars seen from another beat say nothing new.
    const isOfBars = chain.length % (score.bars[from]?.length ?? Infinity) === 0;
    return ofBars.some((r) => {
      const last = r.a[0] + (r.b[0] - r.a[0]) * r.times - 1;
      return isOfBars ? r.a[0] <= to && last >= from : r.a[0] <= from && last >= to;
    });
  };
  const place = (from: number, length: number) => {
    const bar = barAt.get(from) ?? 0;
    return { bars: [bar, barBefore(from + length)] as const, offset: from - (score.bars[bar]?.onset ?? 0) };
  };
  return chainsOf(grid, score, isTold)
    .map((chain): BeatSequence => {
      const { from, length, times, steps } = chain;
      const [a, b] = [place(from, length), place(from + length, length)];
      const keyAt = (tick: number): number => notes[noteAt.get(tick) ?? 0]?.key ?? 0;
      return {
        part: line.part,
        staff: line.staff,
        a: a.bars,
        aFrom: a.offset,
        b: b.bars,
        bFrom: b.offset,
        to: barBefore(untilOf(chain)),
        length,
        times,
        steps,
        semitones: keyAt(from + length) - keyAt(from),
      };
    })
    .sort((x, y) => x.a[0] - y.a[0] || x.aFrom - y.aFrom || x.length - y.length);
}
