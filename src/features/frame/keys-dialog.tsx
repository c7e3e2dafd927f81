import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import type { ReactNode } from 'react';
import { Button } from '@/ui';
import { keysOf } from '@/features/keys';
import type { Stage } from '@/features/where';
import { STAGE_NAMES } from './stages';

/** The keys of the stage, and those that work everywhere. */
export function KeysDialog({
  open,
  stage,
  onClose,
}: {
  readonly open: boolean;
  readonly stage: Stage;
  readonly onClose: () => void;
}): ReactNode {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center overflow-auto p-4">
        <DialogPanel className="panel w-full max-w-lg p-6">
          <DialogTitle className="mb-3 text-xl font-semibold">Keys in {STAGE_NAMES[stage]}</DialogTitle>
          <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2 text-lg">
            {[...keysOf(stage), ...keysOf('everywhere')].map(({ shown, does }) => (
              <div key={does} className="contents">
                <dt>
                  <kbd>{shown}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <Button look="primary" className="mt-5" onClick={onClose}>
            Close
          </Button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
