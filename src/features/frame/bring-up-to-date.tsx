'use client';

import { useEffect, useState, type ReactNode } from 'react';
import { isBindingNeeded, useStudio } from '@/store';
import { useActs } from '@/features/acts';
import { workOnFiles } from '@/workers';

/**
 * Brings a studio of a former version up to date, and puts many records together, while it is used. Broken off by
 * leaving the page, it goes on with the next opening. Another tab does not begin it a second time.
 */
export function BringUpToDate(): ReactNode {
  const { db } = useStudio();
  const { act } = useActs();
  const [share, setShare] = useState<number | null>(null);
  useEffect(() => {
    let cancel: (() => void) | null = null;
    let left = false;
    const work = async () => {
      if (left || !(await isBindingNeeded(db)) || left) return undefined;
      const running = workOnFiles((api, told) => api.bindRecords(db.name, told), setShare);
      setShare(0);
      cancel = running.cancel;
      const done = await running.result.finally(() => setShare(null));
      return left ? undefined : done;
    };
    act(async () =>
      'locks' in navigator ? await navigator.locks.request(`oak-rungs.bind ${db.name}`, work) : await work(),
    );
    return () => {
      left = true;
      cancel?.();
    };
  }, [db, act]);
  if (share === null) return null;
  return (
    <div role="status" className="flex items-center gap-3 border-t border-rule px-5 py-1 text-ink-2">
      <span>This studio is being brought up to date. Everything can be used meanwhile.</span>
      <progress className="flex-1 accent-leaf" max={1} value={share} aria-label="How far it is" />
    </div>
  );
}
