import type { ReactNode } from 'react';
import { changeBar, sameBars, typedAt, type Grid } from '@/core/bargrid';
import type { Score } from '@/core/score';
import { barsText } from '@/core/sections';
import { Choose } from '@/ui';

/** Bars before the chosen ones that they may be the same as. */
export function SameAs({
  grid,
  score,
  from,
  to,
  keep,
}: {
  readonly grid: Grid;
  readonly score: Score;
  readonly from: number;
  readonly to: number;
  readonly keep: (label: string, change: (grid: Grid) => Grid) => void;
}): ReactNode {
  const count = to - from + 1;
  const nameOf = (i: number): string => barsText(score, i, i + count - 1);
  const like = grid.bars[from]?.like;
  const at = like === undefined ? -1 : grid.bars.findIndex((b) => b.id === like);
  const starts = grid.bars.flatMap((_, i) => (i + count <= from || i === at ? [i] : []));
  if (starts.length === 0) return null;
  return (
    <Choose
      label="The same as bars"
      value={at < 0 ? '' : String(at)}
      choices={[['', 'no others'], ...starts.map((i) => [String(i), nameOf(i)] as const)]}
      onPick={(value) =>
        keep(
          value === ''
            ? `bars ${nameOf(from)} stand for themselves`
            : `bars ${nameOf(from)} as ${nameOf(Number(value))}`,
          (before) =>
            value === ''
              ? Array.from({ length: count }, (_, i) => from + i).reduce(
                  (g, i) => changeBar(g, i, { like: undefined, typed: [...typedAt(g, g.bars[i] ?? { id: '' })] }),
                  before,
                )
              : sameBars(before, Number(value), from, count),
        )
      }
    />
  );
}
