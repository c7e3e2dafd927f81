import { useMemo } from 'react';

/** Characters of a time up to its minutes: what is due moves on by the minute. */
const MINUTES = 16;

/**
 * What cells show, worked out once for each thing that is shown: until the minute is over or `with` is another, for it
 * depends on that, too.
 */
export function useKnownCells<Shown extends object, Cell>(
  now: string,
  ...depends: readonly unknown[]
): (of: Shown, work: () => Cell) => Cell {
  const minute = now.slice(0, MINUTES);
  return useMemo(() => {
    const known = new WeakMap<Shown, { readonly cell: Cell }>();
    return (of, work) => {
      const there = known.get(of) ?? { cell: work() };
      known.set(of, there);
      return there.cell;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [minute, ...depends]);
}
