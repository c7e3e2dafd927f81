import type { ReactNode } from 'react';
import type { Issue } from '@/core/result';
import { Button, Panel } from '@/ui';

/** What stands there when the browser does not open the studio: why, and what can be done. */
export function CannotOpen({ issue, onAgain }: { readonly issue: Issue; readonly onAgain: () => void }): ReactNode {
  return (
    <main className="mx-auto max-w-xl p-8">
      <Panel title="The studio cannot be opened">
        <div role="alert" className="grid gap-4 text-lg">
          <p>{issue.message}</p>
          <div className="flex gap-2">
            <Button look="primary" big onClick={onAgain}>
              Try again
            </Button>
            <Button big onClick={() => window.location.reload()}>
              Reload the page
            </Button>
          </div>
        </div>
      </Panel>
    </main>
  );
}
