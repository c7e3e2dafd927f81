import { Check } from 'lucide-react';
import type { ReactNode } from 'react';

/** Boxes to be ticked by touch, from the first on: touching the last that is ticked takes it back. */
export function TickRow({
  boxes,
  ticks,
  nameOf,
  least = 0,
  onTick,
}: {
  readonly boxes: number;
  readonly ticks: number;
  /** What a box is, from 1. */
  readonly nameOf: (box: number) => string;
  /** So many are ticked for good. */
  readonly least?: number;
  readonly onTick: (ticks: number) => void;
}): ReactNode {
  return Array.from({ length: Math.max(boxes, ticks) }, (_, i) => {
    const isTicked = i < ticks;
    return (
      <button
        key={i}
        type="button"
        role="checkbox"
        aria-checked={isTicked}
        aria-label={nameOf(i + 1)}
        disabled={i < least}
        className={`flex size-11 items-center justify-center rounded border-2 ${isTicked ? 'border-leaf bg-leaf text-white' : 'border-rule-strong bg-sheet'}`}
        onClick={() => onTick(isTicked && i === ticks - 1 ? i : i + 1)}
      >
        {isTicked ? <Check size={26} aria-hidden="true" /> : null}
      </button>
    );
  });
}
