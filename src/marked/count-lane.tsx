import type { ReactNode } from 'react';
import type { BarCount } from '@/core/rhythm';
import type { Score } from '@/core/score';
import type { LineLayout } from '@/ui';

/** x of an onset in a line: the note there, or between its neighbours in proportion to time. */
export function xOfOnset(
  onset: number,
  bar: { readonly id: string; readonly onset: number; readonly length: number },
  at: ReadonlyMap<number, string>,
  layout: LineLayout,
): number | null {
  const id = at.get(onset);
  const there = id ? layout.notes.get(id) : undefined;
  if (there) return there.x;
  const box = layout.bars.get(bar.id);
  if (!box) return null;
  const known = [...at].flatMap(([o, noteId]) => {
    const place = layout.notes.get(noteId);
    return place && o >= bar.onset && o < bar.onset + bar.length ? [{ o, x: place.x }] : [];
  });
  const before = known.filter((k) => k.o < onset).sort((a, b) => b.o - a.o)[0] ?? { o: bar.onset, x: box.x + 8 };
  const after = known.filter((k) => k.o > onset).sort((a, b) => a.o - b.o)[0] ?? {
    o: bar.onset + bar.length,
    x: box.x + box.width,
  };
  return before.x + ((after.x - before.x) * (onset - before.o)) / Math.max(1, after.o - before.o);
}

/** Bars of rest in a row before they are numbered. */
const COUNTED_FROM = 2;

interface Props {
  readonly score: Score;
  readonly counts: readonly BarCount[];
  readonly onsets: ReadonlyMap<number, string>;
  readonly layout: LineLayout;
  /** The student's own words by note id, instead of the count there. */
  readonly words: ReadonlyMap<string, string>;
  readonly silent: 'brackets' | 'hidden';
  /** Its name is not written beside it. */
  readonly bare?: boolean;
  /** Close to the music and small, as on paper. */
  readonly dense?: boolean;
}

/** Bars of rest that follow one another, each with its number among them: what is counted before an entry. */
function restsCounted(counts: readonly BarCount[]): ReadonlyMap<number, string> {
  const sounding = new Set(counts.filter((c) => c.tokens.some((t) => t.sounding)).map((c) => c.bar));
  const runs: number[][] = [];
  // What is not counted at all is no rest: free bars, and those that are not written.
  for (const bar of new Set(counts.flatMap((c) => (c.tokens.length > 0 ? [c.bar] : [])))) {
    const before = runs[runs.length - 1];
    if (sounding.has(bar)) continue;
    if (before && before[before.length - 1] === bar - 1) before.push(bar);
    else runs.push([bar]);
  }
  return new Map(
    runs
      .filter((run) => run.length >= COUNTED_FROM)
      .flatMap((run) => run.map((bar, k) => [bar, `rest ${k + 1} of ${run.length}`] as const)),
  );
}

/** The row of each count: the voices of a bar stand under one another, the upper one first. */
function rowsOf(counts: readonly BarCount[]): readonly number[] {
  const rows = new Map<number, number>();
  return counts.map(({ bar }) => {
    const row = rows.get(bar) ?? 0;
    rows.set(bar, row + 1);
    return row;
  });
}

/** Pixels of a row, and above the first. */
const ROW = { usual: 24, dense: 18 } as const;
const ABOVE = { usual: 6, dense: 1 } as const;

/** Pixels between counts that leave no room for brackets: the paler figure alone says that it is silent. */
const TIGHT = 26;
/** Pixels between counts that leave no room even for the figure. */
const CLOSE = 11;
function isTight(places: readonly (number | null)[], at: number): boolean {
  const here = places[at] ?? null;
  return [places[at - 1] ?? null, places[at + 1] ?? null].some(
    (other) => here !== null && other !== null && Math.abs(other - here) < TIGHT,
  );
}

/** Counts under the notes; held and silent ones in brackets or left out; bars of rest by their number. */
export function CountLane({
  score,
  counts,
  onsets,
  layout,
  words,
  silent,
  bare = false,
  dense = false,
}: Props): ReactNode {
  const rests = restsCounted(counts);
  const rows = rowsOf(counts);
  const room = dense ? 'dense' : 'usual';
  const height = (Math.max(0, ...rows) + 1) * ROW[room] + 2 * ABOVE[room];
  return (
    <div
      className={`relative ${dense ? 'text-sm leading-[18px]' : 'border-t border-rule'}`}
      style={{ height }}
      role="group"
      aria-label="Count"
    >
      {bare ? null : <span className="absolute -left-24 top-1.5 w-20 text-sm font-semibold text-ink-2">Count</span>}
      {counts.flatMap((barCount, i) => {
        const top = ABOVE[room] + (rows[i] ?? 0) * ROW[room];
        const bar = score.bars[barCount.bar];
        const box = bar ? layout.bars.get(bar.id) : undefined;
        if (!bar || !box) return [];
        const rest = rests.get(barCount.bar);
        if (rest !== undefined)
          return (
            <span
              key={bar.id}
              className={`absolute -translate-x-1/2 whitespace-nowrap text-sm text-ink-2 ${dense ? '' : 'leading-6'}`}
              style={{ left: box.x + box.width / 2, top }}
            >
              {rest}
            </span>
          );
        const places = barCount.tokens.map((token) => xOfOnset(token.onset, bar, onsets, layout));
        return barCount.tokens.map((token, t) => {
          const x = places[t] ?? null;
          const word = words.get(onsets.get(token.onset) ?? '');
          const before = places[t - 1] ?? null;
          const isCovered = !token.sounding && x !== null && before !== null && x - before < CLOSE;
          if (x === null || isCovered || (!token.sounding && silent === 'hidden')) return null;
          return (
            <span
              key={`${barCount.voice ?? ''} ${token.onset}`}
              className={`figure absolute -translate-x-1/2 whitespace-nowrap ${word ? 'text-plum' : token.sounding ? 'text-ink' : `text-sm tracking-[-0.1em] text-ink-3 ${dense ? '' : 'leading-6'}`}`}
              style={{ left: x, top }}
            >
              {word ?? (token.sounding || isTight(places, t) ? token.text : `(${token.text})`)}
            </span>
          );
        });
      })}
    </div>
  );
}
