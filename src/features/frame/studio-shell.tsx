'use client';

import { Suspense, type ReactNode } from 'react';
import { StudioProvider } from '@/store';
import type { Studio } from '@/core/studio';
import { Frame } from './frame';

const buildDemo = async (now: Date): Promise<Studio> => (await import('@/demo')).buildDemoStudio(now);

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
