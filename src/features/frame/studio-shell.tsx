'use client';

import { Suspense, type ReactNode } from 'react';
import { StudioProvider } from '@/store';
import type { Studio } from '@/core/studio';
import { Frame } from './frame';

/** Builds the demo bit by bit: the page stays free in between. */
async function buildDemo(now: Date): Promise<Studio> {
  const steps = (await import('@/demo')).demoSteps(now);
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
  return (
    <Suspense fallback={waiting}>
      <StudioProvider waiting={waiting} startWithDemo={startWithDemo} fixedNow={fixedNow} buildDemo={buildDemo}>
        <Frame>{children}</Frame>
      </StudioProvider>
    </Suspense>
  );
}
