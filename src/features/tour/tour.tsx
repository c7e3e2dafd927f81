'use client';

import type { ReactNode } from 'react';
import { Button, useKeptChoice } from '@/ui';
import { useWhere } from '@/features/where';
import { TOUR_STEPS } from './tour-steps';

const PLACES = ['off', ...TOUR_STEPS.map((_, i) => String(i))] as [string, ...string[]];

/** Where the tour is, in this browser; null while none is made. */
export function useTour(): { readonly at: number | null; readonly goTo: (at: number | null) => void } {
  const where = useWhere();
  const [place, setPlace] = useKeptChoice('tour', PLACES);
  return {
    at: place === 'off' ? null : Number(place),
    goTo: (at) => {
      const step = at === null ? undefined : TOUR_STEPS[at];
      setPlace(step ? String(at) : 'off');
      if (step) where.go(step.stage, step.change);
    },
  };
}

/** What is to be seen where the tour is, and on to the next; it can be left at any time. */
export function TourCard({ onOwn }: { readonly onOwn: () => void }): ReactNode {
  const { at, goTo } = useTour();
  const step = at === null ? undefined : TOUR_STEPS[at];
  if (at === null || !step) return null;
  const isLast = at === TOUR_STEPS.length - 1;
  return (
    <aside
      aria-label="Tour of the demo studio"
      className="no-print fixed bottom-16 left-3 z-30 w-96 max-w-[calc(100vw-1.5rem)] rounded border-2 border-leaf bg-sheet p-4 xl:bottom-4 xl:left-5"
    >
      <p className="figure text-sm text-ink-2">
        {at + 1} of {TOUR_STEPS.length}
      </p>
      <h2 className="mb-1">{step.title}</h2>
      <p className="mb-3" aria-live="polite">
        {step.says}
      </p>
      <div className="flex flex-wrap gap-2">
        {isLast ? (
          <Button
            look="primary"
            onClick={() => {
              goTo(null);
              onOwn();
            }}
          >
            Start my own studio
          </Button>
        ) : (
          <Button look="primary" onClick={() => goTo(at + 1)}>
            On
          </Button>
        )}
        {at > 0 ? <Button onClick={() => goTo(at - 1)}>Back</Button> : null}
        <Button look="quiet" onClick={() => goTo(null)}>
          Leave the tour
        </Button>
      </div>
    </aside>
  );
}
