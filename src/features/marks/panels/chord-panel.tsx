'use client';

import type { ReactNode } from 'react';
import { chordChange, type ChordShape } from '@/core/fingering';
import type { FrettedStrings } from '@/core/instruments';
import type { Score } from '@/core/score';
import { ChordShapes, shapesOf } from '@/marked';
import { Panel } from '@/ui';

/** Fewer beats than this between two chords of a costly change make a quick change. */
const QUICK_BEATS = 2;
const COSTLY = 5;

/** What each change from one held chord to another asks of the hand, the most costly first. */
function changesOf(score: Score, symbols: Score['chords'], shapes: ReadonlyMap<string, ChordShape>) {
  const changes = symbols.flatMap((c, i) => {
    const next = symbols[i + 1];
    const a = shapes.get(c.text);
    const b = next ? shapes.get(next.text) : undefined;
    return next && a && b && next.text !== c.text
      ? [
          {
            name: `${c.text} → ${next.text}`,
            bar: next.bar,
            beats: (next.onset - c.onset) / score.ticksPerQuarter,
            ...chordChange(a, b),
          },
        ]
      : [];
  });
  return [...new Map(changes.map((c) => [c.name, c])).values()].sort((a, b) => b.cost - a.cost);
}

/** Shapes for the chord symbols of the section, and which changes cost the most. */
export function ChordPanel({
  score,
  from,
  to,
  strings,
  names,
}: {
  readonly score: Score;
  readonly from: number;
  readonly to: number;
  readonly strings: FrettedStrings;
  readonly names: readonly string[];
}): ReactNode {
  const symbols = score.chords.filter((c) => c.bar >= from && c.bar <= to);
  const shapes = shapesOf(symbols, strings);
  if (shapes.size === 0) return null;
  const unique = changesOf(score, symbols, shapes);
  return (
    <Panel title="Chords to hold">
      <ChordShapes shapes={shapes} names={names} className="grid grid-cols-2 gap-3" />
      {unique.length > 0 ? (
        <>
          <h3 className="mt-3">Changes</h3>
          <ul>
            {unique.slice(0, 6).map((c) => (
              <li key={c.name} className="border-t border-rule py-1 first:border-0">
                <span className="font-semibold">{c.name}</span>:{' '}
                {c.stay.length > 0 ? `finger ${c.stay.join(' and ')} stays` : 'all fingers move'}
                {c.cost >= COSTLY && c.beats <= QUICK_BEATS ? (
                  <span className="text-warn">; a quick change, bar {score.bars[c.bar]?.name}: practise it alone</span>
                ) : null}
              </li>
            ))}
          </ul>
        </>
      ) : null}
    </Panel>
  );
}
