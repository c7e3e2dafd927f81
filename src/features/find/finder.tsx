'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useEffect, useId, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { NextThing } from '@/core/plan';
import type { Stage } from '@/features/where';
import { findThings, KIND_WORDS, type Thing } from './find-things';
import { useThings } from './use-things';

interface Props {
  readonly stageNames: Readonly<Record<Stage, string>>;
  readonly next: (NextThing & { readonly go: () => void }) | null;
  readonly onClose: () => void;
}

/** Where the arrow keys go in a list of so many; null for other keys. */
function moved(key: string, at: number, count: number): number | null {
  switch (key) {
    case 'ArrowDown':
      return Math.min(count - 1, at + 1);
    case 'ArrowUp':
      return Math.max(0, at - 1);
    case 'PageDown':
      return Math.min(count - 1, at + 8);
    case 'PageUp':
      return Math.max(0, at - 8);
    default:
      return null;
  }
}

function Found({
  found,
  at,
  idOf,
  listId,
  onTake,
}: {
  readonly found: readonly Thing[];
  readonly at: number;
  readonly idOf: (i: number) => string;
  readonly listId: string;
  readonly onTake: (thing: Thing) => void;
}): ReactNode {
  const chosen = useRef<HTMLLIElement | null>(null);
  useEffect(() => {
    chosen.current?.scrollIntoView({ block: 'nearest' });
  }, [at, found]);
  if (found.length === 0) return <p className="px-3 py-4 text-ink-2">Nothing is called that here.</p>;
  return (
    <ul id={listId} role="listbox" aria-label="Found" className="mt-2 max-h-[50vh] overflow-y-auto">
      {found.map((thing, i) => (
        // The keys of the field above choose; the pointer may, too.
        // eslint-disable-next-line jsx-a11y/click-events-have-key-events
        <li
          key={thing.key}
          ref={i === at ? chosen : undefined}
          id={idOf(i)}
          role="option"
          aria-selected={i === at}
          className={`flex min-h-11 cursor-pointer items-center gap-3 rounded px-3 hover:bg-leaf-wash ${i === at ? 'bg-leaf-wash' : ''}`}
          onClick={() => onTake(thing)}
        >
          <span className="min-w-0 flex-1 truncate font-semibold">{thing.name}</span>
          <span className="min-w-0 truncate text-ink-2">{thing.about}</span>
          <span className="w-28 shrink-0 text-right text-sm text-ink-2">{KIND_WORDS[thing.kind]}</span>
        </li>
      ))}
    </ul>
  );
}

/** What was typed, and what fits it; the best is the one that Enter takes. */
function Looking({ stageNames, next, onClose }: Props): ReactNode {
  const things = useThings(stageNames, next);
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const base = useId();
  const found = findThings(things, typed);
  const idOf = (i: number): string => `${base}-${i}`;
  const take = (thing: Thing): void => {
    onClose();
    thing.go();
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const to = moved(event.key, at, found.length);
    const thing = found[at];
    if (to !== null) setAt(to);
    else if (event.key === 'Enter' && thing) take(thing);
    else return;
    event.preventDefault();
  };
  return (
    <>
      <input
        data-autofocus
        role="combobox"
        aria-label="Find anything"
        aria-expanded={found.length > 0}
        aria-controls={`${base}-list`}
        aria-activedescendant={found.length > 0 ? idOf(at) : undefined}
        className="field min-h-12 w-full text-lg"
        placeholder="A student, a piece, a section, a bar number, a stage…"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
      />
      <Found found={found} at={at} idOf={idOf} listId={`${base}-list`} onTake={take} />
    </>
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
