'use client';

import { useState, type ReactNode } from 'react';
import { differencesInWords, movedInWords, type BeatSequence, type Repeat } from '@/core/sameness';
import { barsText } from '@/core/sections';
import { notFound, beatOnsets, type Score } from '@/core/score';
import { Button, Panel, sentence } from '@/ui';

export const repeatKey = (r: Repeat): string =>
  `${r.kind} ${r.part ?? ''} ${r.staff ?? ''} ${r.a.join('-')} ${r.b.join('-')}`;

export function repeatWords(score: Score, r: Repeat): string {
  const hand =
    r.staff === null
      ? ''
      : score.parts.find((p) => p.id === r.part)?.staves === 2
        ? r.staff === 1
          ? 'right hand: '
          : 'left hand: '
        : '';
  switch (r.kind) {
    case 'exact':
      return `${hand}the same`;
    case 'changed':
      return `${hand}${differencesInWords(score, r)}`;
    case 'moved':
      return `${hand}${movedInWords(r)}`;
    case 'sequence':
      return `${hand}sequence, ${movedInWords(r)} each time${r.times > 2 ? `, ${r.times} times` : ''}`;
    case 'rhythm':
      return `${hand}the same rhythm`;
  }
}

/** A sequence that does not begin or end with the bar, in one line. */
function BeatSequenceLine({
  score,
  sequence: s,
  onBars,
}: {
  readonly score: Score;
  readonly sequence: BeatSequence;
  readonly onBars: (from: number, to: number) => void;
}): ReactNode {
  const bar = score.bars[s.a[0]];
  const beats = bar ? beatOnsets(bar, score.ticksPerQuarter) : [];
  const beat = beats.filter((b) => b.at <= s.aFrom).length;
  const long = beats[1] && beats[0] ? s.length / (beats[1].at - beats[0].at) : 0;
  const length = Number.isInteger(long) && long > 0 ? `, ${long} ${long === 1 ? 'beat' : 'beats'} long` : '';
  const part = score.parts.find((p) => p.id === s.part);
  const hand = part?.staves === 2 ? (s.staff === 1 ? 'right hand: ' : 'left hand: ') : '';
  return (
    <li className="border-t border-rule first:border-0">
      <button
        type="button"
        className="flex min-h-10 w-full items-baseline gap-3 px-1 py-1 text-left hover:bg-leaf-wash"
        onClick={() => onBars(s.a[0], s.to)}
      >
        <span className="figure min-w-28">{barsText(score, s.a[0], s.to)}</span>
        <span className="flex-1 text-ink-2">
          {hand}sequence from beat {beat}
          {length}, {movedInWords(s)} each time, {s.times} times
        </span>
      </button>
    </li>
  );
}

/** Everything that comes again, best savings first; choosing one shows the two places. */
export function ComesAgain({
  score,
  repeats,
  beatSequences,
  chosen,
  onChoose,
  onBars,
}: {
  readonly score: Score;
  readonly repeats: readonly Repeat[];
  readonly beatSequences: readonly BeatSequence[];
  readonly chosen: string | null;
  readonly onChoose: (key: string | null) => void;
  readonly onBars: (from: number, to: number) => void;
}): ReactNode {
  const [all, setAll] = useState(false);
  const shown = all ? repeats : repeats.slice(0, 7);
  return (
    <Panel title="Comes again">
      {score.parts.length > 1 ? <p className="mb-1 text-ink-2">In all parts together.</p> : null}
      {repeats.length === 0 && beatSequences.length === 0 ? (
        <p className="text-ink-2">{sentence(notFound(score.bars, 'nothing comes again in this piece'))}</p>
      ) : null}
      <ul>
        {shown.map((r) => {
          const key = repeatKey(r);
          return (
            <li key={key} className="border-t border-rule first:border-0">
              <button
                type="button"
                aria-pressed={chosen === key}
                className={`flex min-h-10 w-full items-baseline gap-3 px-1 py-1 text-left ${chosen === key ? 'bg-leaf-wash font-semibold' : 'hover:bg-leaf-wash'}`}
                onClick={() => onChoose(chosen === key ? null : key)}
              >
                <span className="figure min-w-28">
                  {barsText(score, r.a[0], r.a[1])} → {barsText(score, r.b[0], r.b[1])}
                </span>
                <span className="flex-1 text-ink-2">{repeatWords(score, r)}</span>
              </button>
            </li>
          );
        })}
        {(all ? beatSequences : beatSequences.slice(0, 3)).map((s) => (
          <BeatSequenceLine key={JSON.stringify(s)} score={score} sequence={s} onBars={onBars} />
        ))}
      </ul>
      {repeats.length > 7 || beatSequences.length > 3 ? (
        <Button look="quiet" className="mt-1" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${repeats.length + beatSequences.length}`}
        </Button>
      ) : null}
    </Panel>
  );
}
