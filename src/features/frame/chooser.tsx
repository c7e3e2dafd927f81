import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import type { ReactNode } from 'react';

export interface Choice {
  readonly id: string | null;
  readonly label: string;
}

/** One of those that the whole screen is about. */
export function Chooser({
  label,
  value,
  choices,
  onChoose,
}: {
  readonly label: string;
  readonly value: string | null;
  readonly choices: readonly Choice[];
  readonly onChoose: (id: string | null) => void;
}): ReactNode {
  const current = choices.find((c) => c.id === value) ?? choices[0];
  return (
    <Listbox value={current?.id ?? null} onChange={onChoose}>
      <ListboxButton
        aria-label={`${label}: ${current?.label ?? ''}`}
        className="flex min-h-11 min-w-0 max-w-full items-center justify-between gap-2 sm:max-w-44 lg:max-w-64 rounded border border-rule-strong bg-sheet px-3 text-lg font-semibold"
      >
        <span className="truncate">{current?.label ?? ''}</span>
        <ChevronDown size={18} className="shrink-0" aria-hidden="true" />
      </ListboxButton>
      <ListboxOptions
        anchor="bottom start"
        className="z-30 max-h-96 min-w-48 overflow-auto rounded border border-rule-strong bg-sheet p-1 focus:outline-none"
      >
        {choices.map((choice) => (
          <ListboxOption
            key={choice.id ?? ''}
            value={choice.id}
            className="cursor-pointer rounded px-3 py-2 data-focus:bg-leaf-wash data-selected:font-semibold"
          >
            {choice.label}
          </ListboxOption>
        ))}
      </ListboxOptions>
    </Listbox>
  );
}
