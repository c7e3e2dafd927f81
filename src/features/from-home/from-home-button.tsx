'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { Inbox } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';
import { Button } from '@/ui';
import { useActs } from '@/features/acts';
import { useTakeHome } from './use-take-home';

/** Brings in what came back from home, where nothing can be dropped or pasted: a code into a field, or a file. */
export function FromHomeButton({ big = false }: { readonly big?: boolean }): ReactNode {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const input = useRef<HTMLInputElement | null>(null);
  const { act } = useActs();
  const take = useTakeHome();
  const close = (): void => {
    setOpen(false);
    setText('');
  };
  return (
    <>
      <Button look="quiet" big={big} onClick={() => setOpen(true)}>
        <Inbox size={18} aria-hidden="true" /> Back from home
      </Button>
      <Dialog open={open} onClose={close} className="relative z-40">
        <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
        <div className="fixed inset-0 grid place-items-center p-4">
          <DialogPanel
            data-from-home
            className="panel grid max-h-full w-full max-w-lg gap-3 overflow-y-auto p-6 text-lg"
          >
            <DialogTitle as="h2" className="text-xl font-semibold">
              Back from home
            </DialogTitle>
            <p>
              A code from a message, or the file that the sheet at home saved. Either can also be dropped or pasted
              anywhere.
            </p>
            <label className="grid gap-1">
              <span className="text-ink-2">The code</span>
              <textarea
                className="field figure min-h-28 p-2 text-base"
                value={text}
                maxLength={20_000}
                onChange={(e) => setText(e.target.value)}
              />
            </label>
            <input
              ref={input}
              type="file"
              accept=".json,.txt"
              className="sr-only"
              aria-label="Choose a file from home"
              tabIndex={-1}
              onChange={(e) => {
                const file = e.target.files?.[0];
                if (file) act(async () => take(await file.text(), close));
                e.target.value = '';
              }}
            />
            <div className="flex flex-wrap justify-end gap-2">
              <Button big look="quiet" onClick={close}>
                Close
              </Button>
              <Button big onClick={() => input.current?.click()}>
                Choose a file
              </Button>
              <Button big look="primary" disabled={text.trim() === ''} onClick={() => take(text, close)}>
                Take it in
              </Button>
            </div>
          </DialogPanel>
        </div>
      </Dialog>
    </>
  );
}
