'use client';

import type { ReactNode } from 'react';
import { intervalsOf } from '@/core/sameness';
import { barsText } from '@/core/sections';
import { notFound, pitchName, type Score } from '@/core/score';
import { counted, Panel, sentence } from '@/ui';
import type { Built } from '@/workers';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** Which bars, learned first, pay for most of the playing time. */
export function LearnFirst({
  score,
  analysis,
  onBar,
}: {
  readonly score: Score;
  readonly analysis: Built;
  readonly onBar: (bar: number) => void;
}): ReactNode {
  const half = analysis.payOff.findIndex((s) => s.sharePlayed >= 0.6);
  const shown = analysis.payOff.slice(0, Math.max(6, Math.min(10, half + 1)));
  const told = analysis.payOff[half < 0 ? analysis.payOff.length - 1 : half];
  const family = (bar: number): string =>
    analysis.families.find((f) => f.staff === 1 && f.bars.includes(bar))?.tag ?? '';
  if (!told) return null;
  return (
    <Panel title="Learn first">
      <p className="mb-2 text-ink-2">
        {told.bars.length === 1 ? 'One bar pays' : `${told.bars.length} bars pay`} for {percent(told.sharePlayed)} of
        the playing time.
      </p>
      <ol>
        {shown.map((step) => {
          const bar = step.bars[step.bars.length - 1] ?? 0;
          return (
            <li key={bar}>
              <button
                type="button"
                className="grid min-h-9 w-full grid-cols-[2.5rem_1.5rem_1fr_3.5rem] items-center gap-2 rounded text-left hover:bg-leaf-wash"
                onClick={() => onBar(bar)}
              >
                <span className="figure font-semibold">{score.bars[bar]?.name}</span>
                <span className="text-ink-2">{family(bar)}</span>
                <span className="h-2 rounded-sm bg-rule" aria-hidden="true">
                  <span className="block h-2 rounded-sm bg-leaf" style={{ width: `${step.sharePlayed * 100}%` }} />
                </span>
                <span className="figure text-right text-ink-2">{percent(step.sharePlayed)}</span>
              </button>
            </li>
          );
        })}
      </ol>
    </Panel>
  );
}

/** The bars that will cost the time, with reasons; the teacher's own word on a bar goes before the computed one. */
export function Corners({
  score,
  analysis,
  selected,
  ratings,
  onBar,
  onRate,
}: {
  readonly score: Score;
  readonly analysis: Built;
  readonly selected: number | null;
  readonly ratings: ReadonlyMap<number, number>;
  readonly onBar: (bar: number) => void;
  readonly onRate: (bar: number, score: number | null) => void;
}): ReactNode {
  const own = selected === null ? undefined : ratings.get(selected);
  const computed = selected === null ? undefined : analysis.difficulties[selected];
  return (
    <Panel title="Corners">
      {analysis.corners.length === 0 ? (
        <p className="text-ink-2">{sentence(notFound(score.bars, 'no bar stands out as harder than the rest'))}</p>
      ) : null}
      <ul>
        {analysis.corners.slice(0, 6).map((corner) => (
          <li key={corner.bar} className="border-t border-rule first:border-0">
            <button
              type="button"
              className="flex min-h-11 w-full items-center gap-3 text-left hover:bg-leaf-wash"
              onClick={() => onBar(corner.bar)}
            >
              <span className="figure min-w-8 font-semibold">{score.bars[corner.bar]?.name}</span>
              <span className="flex-1 text-ink-2">
                {corner.reasons
                  .slice(0, 2)
                  .map((r) => r.text)
                  .join('; ')}
              </span>
              <span className="figure font-semibold">{(ratings.get(corner.bar) ?? corner.score).toFixed(1)}</span>
            </button>
          </li>
        ))}
      </ul>
      {selected !== null && computed ? (
        <div className="mt-3 border-t border-rule pt-2">
          <p>
            Bar <span className="figure">{score.bars[selected]?.name}</span>:{' '}
            {computed.blank ? (
              'not known, nothing is written'
            ) : (
              <span className="figure">{computed.score.toFixed(1)}</span>
            )}
            {computed.reasons.length > 0 ? (
              <span className="text-ink-2"> ({computed.reasons.map((r) => r.text).join('; ')})</span>
            ) : null}
          </p>
          <label className="mt-1 flex items-center gap-2">
            Your own, 0 to 10
            <input
              key={`${selected} ${own ?? ''}`}
              className="field figure w-20"
              inputMode="decimal"
              defaultValue={own ?? ''}
              onBlur={(e) => {
                const text = e.target.value.trim();
                const value = Number(text);
                if (text === '' && own !== undefined) onRate(selected, null);
                else if (text !== '' && value >= 0 && value <= 10 && value !== own) onRate(selected, value);
              }}
            />
          </label>
        </div>
      ) : null}
    </Panel>
  );
}

/** Bars by rhythm; choosing a family shows all its bars. */
export function Families({
  score,
  analysis,
  chosen,
  onChoose,
}: {
  readonly score: Score;
  readonly analysis: Built;
  readonly chosen: string | null;
  readonly onChoose: (key: string | null) => void;
}): ReactNode {
  const several = new Set(analysis.families.map((f) => `${f.part} ${f.staff}`)).size > 1;
  return (
    <Panel title="Rhythm families">
      {analysis.families.length === 0 ? <p className="text-ink-2">No notes, so no rhythms yet.</p> : null}
      <ul>
        {analysis.families.slice(0, 14).map((f) => {
          const key = `${f.part} ${f.staff} ${f.tag}`;
          return (
            <li key={key} className="border-t border-rule first:border-0">
              <button
                type="button"
                aria-pressed={chosen === key}
                className={`flex min-h-10 w-full items-baseline gap-3 px-1 py-1 text-left ${chosen === key ? 'bg-leaf-wash font-semibold' : 'hover:bg-leaf-wash'}`}
                onClick={() => onChoose(chosen === key ? null : key)}
              >
                <span className="min-w-6 font-semibold">{f.tag}</span>
                <span className="figure flex-1">{f.count}</span>
                <span className="text-ink-2">
                  {several ? (f.staff === 1 ? 'right, ' : 'left, ') : ''}
                  {f.bars.length} {f.bars.length === 1 ? 'bar' : 'bars'}, first {score.bars[f.bars[0] ?? 0]?.name}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </Panel>
  );
}

const SIZES = ['', 'repeat', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'octave'];

/** Intervals, range and starting note of each hand in the chosen bars. */
export function Intervals({
  score,
  from,
  to,
}: {
  readonly score: Score;
  readonly from: number;
  readonly to: number;
}): ReactNode {
  const byId = new Map(score.notes.map((n) => [n.id, n]));
  const name = (id: string | null): string => {
    const note = id ? byId.get(id) : undefined;
    return note?.pitch ? pitchName(note.pitch) : '–';
  };
  const counts = intervalsOf(score, from, to).filter((c) => c.first !== null);
  if (counts.length === 0) return null;
  return (
    <Panel title={`Intervals in bars ${barsText(score, from, to)}`}>
      {counts.map((c) => (
        <div key={`${c.part} ${c.staff}`} className="mb-2">
          {counts.length > 1 ? <h3>{c.staff === 1 ? 'Right hand' : 'Left hand'}</h3> : null}
          <p>
            starts on {name(c.first)}, {name(c.lowest)} to {name(c.highest)}; {counted(c.repeats, 'repeat')},{' '}
            {counted(c.steps, 'step')}, {counted(c.skips, 'skip')}
          </p>
          <p className="text-ink-2">
            {c.sizes.map((s) => counted(s.up + s.down, SIZES[s.size] ?? `${s.size}th`)).join(', ')}
          </p>
        </div>
      ))}
    </Panel>
  );
}
