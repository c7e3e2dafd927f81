'use client';

import { liveQuery } from 'dexie';
import { startTransition, useEffect, useState, type DependencyList } from 'react';

interface Held<T> {
  readonly value?: T;
  readonly error?: unknown;
}

/**
 * What a query of the database answers, kept up to date; `undefined` before the first answer. While other things are
 * asked for, the last answer stays. The first answer to a question is drawn bit by bit, as it brings a whole screen; a
 * change after it is drawn at once. A query that fails throws where it is used.
 *
 * @example
 *   const pieces = useLive(() => db.pieces.toArray(), [db]);
 */
export function useLive<T>(query: () => Promise<T> | T, asked: DependencyList): T | undefined {
  const [held, setHeld] = useState<Held<T>>({});
  useEffect(() => {
    let isFirst = true;
    const answers = liveQuery(query).subscribe({
      next: (value) => {
        const put = (): void => setHeld((before) => ('value' in before && before.value === value ? before : { value }));
        if (isFirst) startTransition(put);
        else put();
        isFirst = false;
      },
      error: (error: unknown) => setHeld({ error }),
    });
    return () => answers.unsubscribe();
    // What the query asks for is in `asked`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, asked);
  if (held.error !== undefined) throw held.error;
  return held.value;
}
