'use client';

import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
  DialogTitle,
} from '@headlessui/react';
import { useState, type ReactNode } from 'react';
import type { NextThing } from '@/core/plan';
import type { Stage } from '@/features/where';
import { findThings, KIND_WORDS, type Thing } from './find-things';
import { useThings } from './use-things';

interface Props {
  readonly stageNames: Readonly<Record<Stage, string>>;
  readonly next: (NextThing & { readonly go: () => void }) | null;
  readonly onClose: () => void;
}

/** What was typed, and what fits it. */
function Looking({ stageNames, next, onClose }: Props): ReactNode {
  const things = useThings(stageNames, next);
  const [typed, setTyped] = useState('');
  const found = findThings(things, typed);
  const take = (thing: Thing | null): void => {
    if (!thing) return;
    onClose();
    thing.go();
  };
  return (
    <Combobox immediate onChange={take}>
      <ComboboxInput
        data-autofocus
        aria-label="Find anything"
        className="field min-h-12 w-full text-lg"
        placeholder="A student, a piece, a section, a bar number, a stage…"
        onChange={(e) => setTyped(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
      />
      {/* Made anew with what is typed: the best is always the one that Enter takes. */}
      <ComboboxOptions key={typed} static className="mt-2 max-h-[50vh] overflow-y-auto focus:outline-none">
        {found.map((thing) => (
          <ComboboxOption
            key={thing.key}
            value={thing}
            className="flex min-h-11 cursor-pointer items-center gap-3 rounded px-3 data-focus:bg-leaf-wash"
          >
            <span className="min-w-0 flex-1 truncate font-semibold">{thing.name}</span>
            <span className="min-w-0 truncate text-ink-2">{thing.about}</span>
            <span className="w-28 shrink-0 text-right text-sm text-ink-3">{KIND_WORDS[thing.kind]}</span>
          </ComboboxOption>
        ))}
      </ComboboxOptions>
      {found.length === 0 ? <p className="px-3 py-4 text-ink-2">Nothing is called that here.</p> : null}
    </Combobox>
  );
}

/** Finds anything by typing: students, pieces, sections, bars, stages, what can be done here, settings. */
export function Finder({ open, ...props }: Props & { readonly open: boolean }): ReactNode {
  return (
    <Dialog open={open} onClose={props.onClose} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 flex items-start justify-center p-4 pt-[10vh]">
        <DialogPanel className="panel w-full max-w-2xl p-4">
          <DialogTitle className="sr-only">Find anything</DialogTitle>
          {open ? <Looking {...props} /> : null}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
