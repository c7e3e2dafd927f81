import { startTransition, useEffect, useState } from 'react';

/**
 * The beginning of a long list at once and the rest bit by bit, so that the page is free in between. Begins anew where
 * `key` changes.
 */
export function useGrowing<T>(list: readonly T[], atATime: number, key = ''): readonly T[] {
  const [grown, setGrown] = useState({ key, count: atATime });
  const count = grown.key === key ? grown.count : atATime;
  const isWhole = count >= list.length;
  useEffect(() => {
    if (isWhole) return undefined;
    const timer = setTimeout(() => startTransition(() => setGrown({ key, count: count + atATime })));
    return () => clearTimeout(timer);
  }, [isWhole, key, count, atATime]);
  return isWhole ? list : list.slice(0, count);
}
