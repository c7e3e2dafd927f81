import { useCallback, useEffect, useRef, useState } from 'react';
import { noProgress, type HomeProgress } from './home-progress';

const nameOf = (week: number): string => `oak-rungs.home.${week.toString(16)}`;

/** Storage that there is, or none at all: some browsers let a file keep nothing. */
function storage(): Storage | null {
  try {
    const there = window.localStorage;
    there.setItem('oak-rungs.try', '1');
    there.removeItem('oak-rungs.try');
    return there;
  } catch {
    return null;
  }
}

const newDevice = (): number => crypto.getRandomValues(new Uint16Array(1))[0] ?? 0;

/** What was kept, as far as it is what this page keeps. */
function parse(text: string | null): HomeProgress | null {
  if (text === null) return null;
  try {
    const value = JSON.parse(text) as Partial<HomeProgress> | null;
    return value && typeof value.device === 'number' && Array.isArray(value.days)
      ? { ...noProgress(value.device), ...value }
      : null;
  } catch {
    return null;
  }
}

export interface ProgressAccess {
  readonly progress: HomeProgress;
  /** Changes it from what is stored now, and stores it before it is shown. */
  readonly change: (edit: (before: HomeProgress) => HomeProgress) => void;
  /** What is wrong with keeping it; null where it is kept. */
  readonly problem: string | null;
}

const NO_STORAGE = 'This browser keeps nothing of what you do here. Send it back before you close the page.';
const FULL = 'This could not be kept: the browser has no room. Send it back before you close the page.';

/** The progress of a week in this browser, the same in every tab. */
export function useProgress(week: number): ProgressAccess {
  const [kept] = useState(storage);
  const [progress, setProgress] = useState<HomeProgress>(
    () => parse(kept?.getItem(nameOf(week)) ?? null) ?? noProgress(newDevice()),
  );
  const [full, setFull] = useState(false);
  const latest = useRef(progress);
  const change = useCallback(
    (edit: (before: HomeProgress) => HomeProgress) => {
      // Another tab may have been first.
      const next = edit((full ? null : parse(kept?.getItem(nameOf(week)) ?? null)) ?? latest.current);
      try {
        kept?.setItem(nameOf(week), JSON.stringify(next));
        setFull(false);
      } catch {
        setFull(true);
      }
      latest.current = next;
      setProgress(next);
    },
    [kept, week, full],
  );
  useEffect(() => {
    const onStorage = (event: StorageEvent): void => {
      const next = event.key === nameOf(week) ? parse(event.newValue) : null;
      if (!next) return;
      latest.current = next;
      setProgress(next);
    };
    window.addEventListener('storage', onStorage);
    return () => window.removeEventListener('storage', onStorage);
  }, [week]);
  return { progress, change, problem: kept === null ? NO_STORAGE : full ? FULL : null };
}
