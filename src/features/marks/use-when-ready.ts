import { useEffect, useRef } from 'react';

/**
 * An act on what is being worked out: done at once when it is ready, else as soon as it is, as long as it is still
 * about the same thing. What was asked of something else is dropped.
 */
export function useWhenReady<A extends readonly unknown[]>(
  ready: () => boolean,
  about: string,
  act: (...args: A) => void,
): (...args: A) => void {
  const waiting = useRef<{ readonly about: string; readonly args: A } | null>(null);
  useEffect(() => {
    const there = waiting.current;
    if (there === null || (there.about === about && !ready())) return;
    waiting.current = null;
    if (there.about === about) act(...there.args);
  });
  return (...args) => {
    if (ready()) act(...args);
    else waiting.current = { about, args };
  };
}
