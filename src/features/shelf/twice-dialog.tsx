import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import type { ReactNode } from 'react';
import { dayOf, type Piece } from '@/core/studio';
import { useStudio } from '@/store';
import { Button, dayWords } from '@/ui';
import type { AboutTwin } from './bring-in';

/** Says that a piece is on the shelf already, before it comes in a second time. */
export function TwiceDialog({
  piece,
  same,
  fileName,
  onAnswer,
}: {
  readonly piece: Piece;
  /** The very same document, or only the same title and composer. */
  readonly same: 'document' | 'name';
  readonly fileName: string;
  readonly onAnswer: (about: AboutTwin) => void;
}): ReactNode {
  const { zone } = useStudio();
  return (
    <Dialog open onClose={() => onAnswer('leave')} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="panel w-full max-w-xl p-6">
          <DialogTitle className="mb-2 text-xl font-semibold">You have this piece</DialogTitle>
          <p className="mb-2">
            {same === 'document'
              ? `${fileName} holds the very same music as ${piece.title}, brought in on ${dayWords(dayOf(piece.addedAt, zone))}${piece.archived ? ' and archived since' : ''}.`
              : `${fileName} has the title and composer of ${piece.title}, brought in on ${dayWords(dayOf(piece.addedAt, zone))}${piece.archived ? ' and archived since' : ''}.`}
          </p>
          <p className="mb-4 text-ink-2">
            One piece serves all its students, with fingerings of their own. A corrected edition is brought in on its
            page in Read, where marks and records stay.
          </p>
          <div className="flex flex-wrap gap-2">
            <Button look="primary" big onClick={() => onAnswer('open')}>
              Open the one there
            </Button>
            <Button big onClick={() => onAnswer('bring')}>
              Bring it in all the same
            </Button>
            <Button look="quiet" big onClick={() => onAnswer('leave')}>
              Leave it out
            </Button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
