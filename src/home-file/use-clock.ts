import { useEffect, useRef, useState } from 'react';
import { dayOf, UTC, type Day } from '@/core/studio';

/** Who does nothing for so long has left the instrument. */
const IDLE_MS = 180_000;
const EVERY_MS = 1000;
/** Seconds that are handed over at a time. */
const PORTION = 5;

/**
 * Counts the seconds in which somebody practises: while the page is seen and something was done of late, or sounds.
 * They are handed over in small portions, and what is left when it stops.
 */
export function useClock(isRunning: boolean, isSounding: boolean, onSpent: (seconds: number) => void): void {
  const hand = useRef(onSpent);
  const sounding = useRef(isSounding);
  useEffect(() => {
    hand.current = onSpent;
    sounding.current = isSounding;
  });
  useEffect(() => {
    if (!isRunning) return undefined;
    let last = performance.now();
    let active = last;
    let held = 0;
    const give = (): void => {
      if (held > 0) hand.current(held);
      held = 0;
    };
    const stir = (): void => {
      active = performance.now();
    };
    const timer = setInterval(() => {
      const now = performance.now();
      const awake = document.visibilityState === 'visible' && (sounding.current || now - active < IDLE_MS);
      // A page that slept has not practised meanwhile.
      if (awake) held += Math.min(2, (now - last) / 1000);
      last = now;
      if (held >= PORTION) give();
    }, EVERY_MS);
    for (const event of ['pointerdown', 'keydown'] as const) document.addEventListener(event, stir);
    window.addEventListener('pagehide', give);
    return () => {
      clearInterval(timer);
      for (const event of ['pointerdown', 'keydown'] as const) document.removeEventListener(event, stir);
      window.removeEventListener('pagehide', give);
      give();
    };
  }, [isRunning]);
}

const localDay = (): Day => dayOf(new Date().toISOString(), Intl.DateTimeFormat().resolvedOptions().timeZone || UTC);

/** Today, where this device is; a new one when midnight has passed. */
export function useToday(): Day {
  const [today, setToday] = useState(localDay);
  useEffect(() => {
    const look = (): void => setToday(localDay());
    const timer = setInterval(look, 30_000);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, []);
  return today;
}
