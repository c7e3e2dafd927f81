/** A memory of a few things by key; the one used longest ago goes first. */
export interface RecentlyUsed<T> {
  readonly get: (key: string) => T | undefined;
  readonly put: (key: string, value: T) => void;
  readonly size: () => number;
}

export function recentlyUsed<T>(most: number): RecentlyUsed<T> {
  const kept = new Map<string, T>();
  const put = (key: string, value: T): void => {
    kept.delete(key);
    kept.set(key, value);
    const [oldest] = kept.keys();
    if (kept.size > most && oldest !== undefined) kept.delete(oldest);
  };
  return {
    get: (key) => {
      const value = kept.get(key);
      if (value !== undefined) put(key, value);
      return value;
    },
    put,
    size: () => kept.size,
  };
}
