'use client';

import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { ChevronDown } from 'lucide-react';
import { useRef, type ReactNode, type RefObject } from 'react';

export interface ChooseProps<V extends string> {
  readonly label: string;
  readonly value: V;
  /** Value and name of each choice. */
  readonly choices: readonly (readonly [V, string])[];
  readonly onPick: (value: V) => void;
  /** The label above and the list as wide as its place; the label only spoken. */
  readonly place?: 'beside' | 'stacked' | 'alone';
  /** What the whole screen is about: larger. */
  readonly big?: boolean;
  /** What stands on the button where it is not the name of the choice. */
  readonly shown?: string;
  /** The button, for a key that goes to it. */
  readonly buttonRef?: RefObject<HTMLButtonElement | null>;
  /** As what is the teacher's own is written. */
  readonly own?: boolean;
  /** The names are themselves what is chosen between: they stay in the words they are written in. */
  readonly asWritten?: boolean;
}

/** What is drawn around the button. */
const AROUND = {
  beside: 'flex min-w-0 items-center gap-1.5 text-ink-2',
  stacked: 'block min-w-0 text-sm text-ink-2',
  alone: 'contents',
} as const;

/** One of a few choices: the one way in which anything is chosen from a list. */
export function Choose<V extends string>({
  label,
  value,
  choices,
  onPick,
  place = 'beside',
  big = false,
  shown,
  buttonRef,
  own = false,
  asWritten = false,
}: ChooseProps<V>): ReactNode {
  // Who picks with the pointer goes on with the keys of the stage, not of the list.
  const byPointer = useRef(false);
  const name = shown ?? choices.find(([v]) => v === value)?.[1] ?? '';
  const translate = asWritten ? 'no' : undefined;
  return (
    <div className={AROUND[place]}>
      {place === 'alone' ? null : <span aria-hidden="true">{label}</span>}
      <Listbox value={value} onChange={onPick}>
        <ListboxButton
          ref={buttonRef}
          onFocus={(event) => {
            if (byPointer.current) event.currentTarget.blur();
            byPointer.current = false;
          }}
          translate={translate}
          aria-label={`${label}: ${name}`}
          className={`flex min-w-0 items-center justify-between gap-2 rounded border border-rule-strong bg-sheet text-left ${own ? 'font-semibold text-plum' : 'text-ink'} ${
            big
              ? 'min-h-11 max-w-full px-3 text-lg font-semibold sm:max-w-44 lg:max-w-64'
              : `min-h-11 px-2.5 text-base ${place === 'stacked' ? 'w-full' : 'max-w-72'}`
          }`}
        >
          <span className="truncate" translate={translate}>
            {name}
          </span>
          <ChevronDown size={18} className="shrink-0" aria-hidden="true" />
        </ListboxButton>
        <ListboxOptions
          anchor="bottom start"
          modal={false}
          className="z-50 max-h-96 min-w-(--button-width) overflow-auto rounded border border-rule-strong bg-sheet p-1 text-ink focus:outline-none"
          // What is typed to find a choice is no key of the stage.
          onKeyDown={(event) => event.stopPropagation()}
        >
          {choices.map(([v, text]) => (
            <ListboxOption
              key={v}
              value={v}
              translate={translate}
              onPointerUp={() => {
                byPointer.current = true;
              }}
              className="flex min-h-10 cursor-pointer items-center rounded px-3 whitespace-pre-wrap data-focus:bg-leaf-wash data-selected:font-semibold"
            >
              {text}
            </ListboxOption>
          ))}
        </ListboxOptions>
      </Listbox>
    </div>
  );
}
