import { startTransition, useEffect, useState } from 'react';

/** A memory of a few things by key; the one used longest ago goes first. */
export interface RecentlyUsed<T> {
  readonly get: (key: string) => T | undefined;
  readonly put: (key: string, value: T) => void;
  readonly size: () => number;
  /** Tells of every thing that is put in; the answer ends it. */
  readonly subscribe: (listener: () => void) => () => void;
  /** How many things were put in so far. */
  readonly puts: () => number;
}

export function recentlyUsed<T>(most: number): RecentlyUsed<T> {
  const kept = new Map<string, T>();
  const listeners = new Set<() => void>();
  let puts = 0;
  const touch = (key: string, value: T): void => {
    kept.delete(key);
    kept.set(key, value);
    const [oldest] = kept.keys();
    if (kept.size > most && oldest !== undefined) kept.delete(oldest);
  };
  return {
    get: (key) => {
      const value = kept.get(key);
      if (value !== undefined) touch(key, value);
      return value;
    },
    put: (key, value) => {
      touch(key, value);
      puts += 1;
      for (const listener of listeners) listener();
    },
    size: () => kept.size,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => {
        listeners.delete(listener);
      };
    },
    puts: () => puts,
  };
}

/**
 * What a memory holds under a key, on screen: whoever puts it in, and whenever, it is shown. What comes in later brings
 * a whole screen with it, and is drawn bit by bit. Nothing under no key.
 */
export function useRemembered<T>(memory: RecentlyUsed<T>, key: string | null): T | undefined {
  const there = key === null ? undefined : memory.get(key);
  const [, setPuts] = useState(0);
  useEffect(() => {
    const look = (): void => {
      if (key !== null && memory.get(key) !== there) startTransition(() => setPuts(memory.puts()));
    };
    // It may have come in while this was drawn.
    look();
    return memory.subscribe(look);
  }, [memory, key, there]);
  return there;
}
