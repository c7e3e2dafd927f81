'use client';

import { lazy, Suspense, useState, type ComponentType, type ReactNode } from 'react';

/**
 * A part of a screen whose program comes in when it is first wanted; it stays from then on, with what was entered.
 *
 * @example
 *   const KeysDialog = later(
 *     () => import('./keys-dialog').then((m) => m.KeysDialog),
 *     (p) => p.open,
 *   );
 */
export function later<P extends object>(
  load: () => Promise<ComponentType<P>>,
  isWanted: (props: P) => boolean = () => true,
): (props: P) => ReactNode {
  const Part = lazy(async () => ({ default: await load() }));
  return function Later(props: P): ReactNode {
    const wanted = isWanted(props);
    const [came, setCame] = useState(wanted);
    if (wanted && !came) setCame(true);
    if (!came) return null;
    return (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    );
  };
}
