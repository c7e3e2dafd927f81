'use client';

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Ellipsis } from 'lucide-react';
import type { ReactNode } from 'react';

/** What more can be done with a thing, behind one button. */
export function MoreMenu({
  label,
  items,
}: {
  readonly label: string;
  readonly items: readonly (readonly [name: string, does: () => void])[];
}): ReactNode {
  return (
    <Menu>
      <MenuButton
        aria-label={label}
        className="grid min-h-11 min-w-11 place-items-center rounded text-ink-2 hover:bg-leaf-wash"
      >
        <Ellipsis size={20} aria-hidden="true" />
      </MenuButton>
      <MenuItems
        anchor="bottom end"
        modal={false}
        className="z-50 min-w-44 overflow-auto rounded border border-rule-strong bg-sheet p-1 focus:outline-none"
        // What is typed to find an item is no key of the stage.
        onKeyDown={(event) => event.stopPropagation()}
      >
        {items.map(([name, does]) => (
          <MenuItem key={name}>
            <button
              type="button"
              className="flex min-h-11 w-full items-center rounded px-3 text-left data-focus:bg-leaf-wash"
              onClick={does}
            >
              {name}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
