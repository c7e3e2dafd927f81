import type { ReactNode } from 'react';
import type { Drill } from '@/core/drill';

const words = (left: number): string =>
  left === 1
    ? 'one more'
    : `${['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'][left] ?? left} more`;

/** Boxes that fill as it is right in a row. */
export function RowBoxes({ drill }: { readonly drill: Drill }): ReactNode {
  const { inRow } = drill.rule;
  const filled = drill.done ? inRow : drill.row;
  const steps = drill.rule.steps.length;
  return (
    <div className="flex flex-wrap items-center gap-3">
      <div className="flex flex-wrap gap-2" aria-hidden="true">
        {Array.from({ length: inRow }, (_, i) => (
          <span
            key={i}
            className={`size-7 rounded sm:size-9 border-2 ${i < filled ? 'border-leaf bg-leaf' : 'border-dashed border-rule-strong bg-sheet'}`}
          />
        ))}
      </div>
      <p className="sm:text-lg" role="status">
        {drill.done
          ? 'Done, as often as was asked.'
          : `${filled} in a row, ${words(inRow - filled)}${steps > 1 ? `; tempo ${drill.step + 1} of ${steps}` : ''}`}
      </p>
    </div>
  );
}
