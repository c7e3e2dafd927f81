import { useState } from 'react';

/** Characters of a time up to its minutes: what is due moves on by the minute. */
const MINUTES = 16;

interface Known<Cell> {
  readonly minute: string;
  readonly beside: unknown;
  readonly cell: Cell;
}

/**
 * What cells show, worked out once for each thing that is shown: until the minute is over or `beside`, on which it
 * depends, too, is another.
 */
export function useKnownCells<Shown extends object, Cell>(
  now: string,
  beside: unknown,
): (of: Shown, work: () => Cell) => Cell {
  const [known] = useState(() => new WeakMap<Shown, Known<Cell>>());
  const minute = now.slice(0, MINUTES);
  return (of, work) => {
    const there = known.get(of);
    if (there?.minute === minute && there.beside === beside) return there.cell;
    const cell = work();
    known.set(of, { minute, beside, cell });
    return cell;
  };
}
