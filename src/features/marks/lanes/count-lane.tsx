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
}

/** Bars of rest that follow one another, each with its number among them: what is counted before an entry. */
function restsCounted(counts: readonly BarCount[]): ReadonlyMap<number, string> {
  const runs: number[][] = [];
  counts.forEach((c, i) => {
    if (c.tokens.some((t) => t.sounding)) return;
    const before = runs[runs.length - 1];
    if (before && before[before.length - 1] === i - 1) before.push(i);
    else runs.push([i]);
  });
  return new Map(
    runs
      .filter((run) => run.length >= COUNTED_FROM)
      .flatMap((run) => run.map((i, k) => [counts[i]?.bar ?? 0, `rest ${k + 1} of ${run.length}`] as const)),
  );
}

/** Counts under the notes; held and silent ones in brackets or left out; bars of rest by their number. */
export function CountLane({ score, counts, onsets, layout, words, silent }: Props): ReactNode {
  const rests = restsCounted(counts);
  return (
    <div className="relative h-9 border-t border-rule" role="group" aria-label="Count">
      <span className="absolute -left-24 top-1.5 w-20 text-sm font-semibold text-ink-2">Count</span>
      {counts.flatMap((barCount) => {
        const bar = score.bars[barCount.bar];
        const box = bar ? layout.bars.get(bar.id) : undefined;
        if (!bar || !box) return [];
        const rest = rests.get(barCount.bar);
        if (rest !== undefined)
          return (
            <span
              key={bar.id}
              className="absolute top-1.5 -translate-x-1/2 whitespace-nowrap text-sm leading-6 text-ink-2"
              style={{ left: box.x + box.width / 2 }}
            >
              {rest}
            </span>
          );
        return barCount.tokens.map((token) => {
          const x = xOfOnset(token.onset, bar, onsets, layout);
          const word = words.get(onsets.get(token.onset) ?? '');
          if (x === null || (!token.sounding && silent === 'hidden')) return null;
          return (
            <span
              key={token.onset}
              className={`figure absolute top-1.5 -translate-x-1/2 whitespace-nowrap ${word ? 'text-plum' : token.sounding ? 'text-ink' : 'text-sm leading-6 tracking-[-0.1em] text-ink-3'}`}
              style={{ left: x }}
            >
              {word ?? (token.sounding ? token.text : `(${token.text})`)}
            </span>
          );
        });
      })}
    </div>
  );
}
