'use client';

import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** How something is looked at in this browser, remembered under a name; the first choice until another was made. */
export function useKeptChoice<V extends string>(
  name: string,
  choices: readonly [V, ...V[]],
): readonly [V, (value: V) => void] {
  const key = `oak-rungs.${name}`;
  const stored = useSyncExternalStore(
    subscribe,
    () => localStorage.getItem(key),
    () => null,
  );
  const keep = (value: V): void => {
    localStorage.setItem(key, value);
    for (const listener of listeners) listener();
  };
  return [choices.find((c) => c === stored) ?? choices[0], keep];
}
