import { useEffect, useState } from 'react';
import { storageProblem } from '@/store';

/** What was drawn; null while it is being drawn. */
export type Drawing<T> =
  { readonly kind: 'drawn'; readonly value: T } | { readonly kind: 'failed'; readonly message: string } | null;

/**
 * Draws anew whenever it is told to draw something else; `draw` must stay the same while nothing changes, and is null
 * while there is nothing to draw. What was drawn last stays until the next is there; a drawing that nobody waits for
 * any more is stopped.
 */
export function useDrawing<T>(draw: ((signal: AbortSignal) => Promise<T>) | null): Drawing<T> {
  const [drawing, setDrawing] = useState<Drawing<T>>(null);
  useEffect(() => {
    if (!draw) return undefined;
    const stop = new AbortController();
    const show = (next: Drawing<T>): void => {
      if (!stop.signal.aborted) setDrawing(next);
    };
    draw(stop.signal).then(
      (value) => show({ kind: 'drawn', value }),
      (error: unknown) => show({ kind: 'failed', message: storageProblem(error).issue.message }),
    );
    return () => stop.abort();
  }, [draw]);
  return drawing;
}
