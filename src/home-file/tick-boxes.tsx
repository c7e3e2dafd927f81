import { Check } from 'lucide-react';
import type { ReactNode } from 'react';

/** A box for each time, to be touched: touching the last that is ticked takes it back. */
export function TickBoxes({
  boxes,
  ticks,
  name,
  onTick,
}: {
  readonly boxes: number;
  readonly ticks: number;
  /** What is ticked. */
  readonly name: string;
  readonly onTick: (ticks: number) => void;
}): ReactNode {
  return (
    <span className="flex flex-wrap gap-1" role="group" aria-label={`${name}: ${ticks} of ${boxes} ticked`}>
      {Array.from({ length: Math.max(boxes, ticks) }, (_, i) => {
        const isTicked = i < ticks;
        return (
          <button
            key={i}
            type="button"
            role="checkbox"
            aria-checked={isTicked}
            aria-label={`${name}, ${i + 1} of ${boxes}`}
            className={`flex size-11 items-center justify-center rounded border-2 ${isTicked ? 'border-leaf bg-leaf text-white' : 'border-rule-strong bg-sheet'}`}
            onClick={() => onTick(isTicked && i === ticks - 1 ? i : i + 1)}
          >
            {isTicked ? <Check size={26} aria-hidden="true" /> : null}
          </button>
        );
      })}
    </span>
  );
}
