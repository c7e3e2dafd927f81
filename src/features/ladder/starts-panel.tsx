'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { drawnOrder, startingPoints, type StartingPoint } from '@/core/ladder';
import type { PlacedSection } from '@/core/sections';
import type { Score } from '@/core/score';
import { Button, Panel } from '@/ui';
import { useWhere } from '@/features/where';
import { useKey } from '@/features/keys';

/** Places to begin from, and a drill that draws them in any order: each once, then anew. */
export function StartsPanel({
  score,
  sections,
}: {
  readonly score: Score;
  readonly sections: readonly PlacedSection[];
}): ReactNode {
  const where = useWhere();
  const points = useMemo(
    () =>
      startingPoints(
        score,
        sections
          .filter((p) => p.section.parentId === null)
          .map((p) => ({ from: p.from, name: p.section.letter || p.section.name })),
        sections.filter((p) => p.section.parentId !== null),
      ),
    [score, sections],
  );
  const [drawn, setDrawn] = useState<readonly StartingPoint[]>([]);
  const [at, setAt] = useState(-1);
  const current = drawn[at];
  const draw = (): void => {
    const order = at + 1 < drawn.length ? drawn : drawnOrder(points, Math.random);
    const next = at + 1 < drawn.length ? at + 1 : 0;
    setDrawn(order);
    setAt(next);
    const point = order[next];
    if (point) where.change({ bars: [point.bar, point.bar] });
  };
  useKey('ladder.start', draw);
  const numberOf = (bar: number): string => score.bars[bar]?.name ?? '';
  return (
    <Panel
      title="Starting points"
      aside={
        <Button shortcut="d" onClick={draw}>
          Draw one
        </Button>
      }
    >
      <p aria-live="polite" className="min-h-8 text-lg">
        {current ? (
          <>
            From bar <span className="figure font-semibold">{numberOf(current.bar)}</span>: {current.why}{' '}
            <span className="text-ink-2">
              ({at + 1} of {drawn.length})
            </span>
          </>
        ) : (
          <span className="text-ink-2">
            {points.length === 1 ? 'Bar' : 'Bars'} {points.map((p) => numberOf(p.bar)).join(', ')}
          </span>
        )}
      </p>
    </Panel>
  );
}
