import type { ReactNode } from 'react';
import { TickRow } from '@/ui';

/** A box for each time that something is asked for on a day. */
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
      <TickRow boxes={boxes} ticks={ticks} nameOf={(box) => `${name}, ${box} of ${boxes}`} onTick={onTick} />
    </span>
  );
}
