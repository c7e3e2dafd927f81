'use client';

import { Dialog, DialogPanel } from '@headlessui/react';
import { X } from 'lucide-react';
import { useRef, type KeyboardEvent, type ReactNode } from 'react';
import { Button } from '@/ui';

/** Keys, and what page pedals send, that turn on and back. */
const ON = ['PageDown', 'ArrowDown', 'ArrowRight', ' ', 'Enter'];
const BACK = ['PageUp', 'ArrowUp', 'ArrowLeft', 'Backspace'];
/** Of what is seen so much stays in view when the page is turned. */
const STAYS = 0.12;

/**
 * Only the music and its marks, as on the stand: over everything else, turned by keys, by a pedal, by touching its
 * lower or upper half.
 */
export function Stand({
  label,
  onClose,
  children,
}: {
  readonly label: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}): ReactNode {
  const page = useRef<HTMLDivElement | null>(null);
  const turn = (way: 1 | -1): void => {
    const at = page.current;
    if (at) at.scrollTop += way * at.clientHeight * (1 - STAYS);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const way = ON.includes(event.key) ? 1 : BACK.includes(event.key) ? -1 : null;
    // The stage behind hears nothing; Escape is the dialog's own.
    if (event.key !== 'Escape') event.stopPropagation();
    if (way === null || (event.target instanceof HTMLButtonElement && [' ', 'Enter'].includes(event.key))) return;
    event.preventDefault();
    turn(way);
  };
  return (
    <Dialog open onClose={onClose} className="relative z-40" aria-label={label} initialFocus={page}>
      <DialogPanel className="fixed inset-0 flex flex-col bg-sheet" onKeyDown={onKeyDown}>
        <div
          ref={page}
          tabIndex={-1}
          data-autofocus
          className="min-h-0 flex-1 overflow-y-auto px-3 pb-16 pt-3 outline-none sm:px-8"
        >
          {children}
        </div>
        <div className="absolute bottom-2 right-2 flex gap-2">
          <Button big onClick={() => turn(-1)}>
            Back
          </Button>
          <Button big onClick={() => turn(1)}>
            On
          </Button>
          <Button big aria-label="Leave the stand" onClick={onClose}>
            <X size={20} aria-hidden="true" />
          </Button>
        </div>
      </DialogPanel>
    </Dialog>
  );
}
