'use client';

import { Fragment, useEffect, useRef, type ReactNode } from 'react';
import type { Words } from '@/core/words';
import { speak } from './spoken';

/** Draws all that is inside in these words, and anew when they change. */
export function InWords({ bar, notes, children }: Words & { readonly children: ReactNode }): ReactNode {
  speak({ bar, notes });
  const key = `${bar} ${notes}`;
  const drawn = useRef(key);
  useEffect(() => {
    if (drawn.current === key) return;
    drawn.current = key;
    // What had the focus was drawn anew; the reader goes on from the top of what is shown.
    const main = document.querySelector('main');
    if (document.activeElement === document.body) main?.focus({ preventScroll: true });
  }, [key]);
  return <Fragment key={key}>{children}</Fragment>;
}
