'use client';

import { Suspense, useEffect, type ReactNode } from 'react';
import { StudioProvider, useSettings } from '@/store';
import { InWords } from '@/ui';
import type { Zone } from '@/core/studio';
import type { Result } from '@/core/result';
import { ProblemBoundary } from '@/features/acts';
import { CannotOpen } from './cannot-open';
import { Frame } from './frame';
import { warmEngraver, workOnFiles } from '@/workers';

/** Makes the demo where the page does not wait for it. */
const fillDemo = (database: string, now: string, zone: Zone): Promise<Result<null>> =>
  workOnFiles(
    (api) => api.fillDemo(database, now, zone),
    () => undefined,
  ).result;

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
        fillDemo={fillDemo}
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
