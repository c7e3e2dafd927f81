'use client';

import { Suspense, useEffect, type ReactNode } from 'react';
import { StudioProvider, useSettings } from '@/store';
import { InWords } from '@/ui';
import type { Studio, Zone } from '@/core/studio';
import { ProblemBoundary } from '@/features/acts';
import { CannotOpen } from './cannot-open';
import { Frame } from './frame';
import { warmEngraver } from '@/workers';

/** Builds the demo bit by bit: the page stays free in between. */
async function buildDemo(now: Date, zone: Zone): Promise<Studio> {
  const steps = (await import('@/demo')).demoSteps(now, zone);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    await new Promise((resolve) => setTimeout(resolve));
  }
}

const waiting = (
  <p className="p-8 text-center text-ink-2" role="status">
    Opening the studio…
  </p>
);

/** Says everything in the words of the studio that is open. */
function InStudioWords({ children }: { readonly children: ReactNode }): ReactNode {
  const settings = useSettings();
  return (
    <InWords bar={settings?.barWord ?? 'bar'} notes={settings?.noteNames ?? 'american'}>
      {children}
    </InWords>
  );
}

/** Opens the studio and puts the frame around every stage. */
export function StudioShell({
  children,
  startWithDemo,
  fixedNow,
}: {
  readonly children: ReactNode;
  readonly startWithDemo: boolean;
  readonly fixedNow: string | null;
}): ReactNode {
  // Its program takes longer to come in than a studio to open: both begin at once.
  useEffect(warmEngraver, []);
  return (
    <Suspense fallback={waiting}>
      <StudioProvider
        waiting={waiting}
        failed={(issue, again) => <CannotOpen issue={issue} onAgain={again} />}
        startWithDemo={startWithDemo}
        fixedNow={fixedNow}
        buildDemo={buildDemo}
      >
        <ProblemBoundary what="The studio">
          <InStudioWords>
            <Frame>{children}</Frame>
          </InStudioWords>
        </ProblemBoundary>
      </StudioProvider>
    </Suspense>
  );
}
