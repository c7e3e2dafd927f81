import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { ChevronDown, Menu as Lines } from 'lucide-react';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { STAGES, STUDIO_STAGES, useWhere, type Stage } from '@/features/where';
import { useStageCounts } from './stage-counts';

export const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  shelf: 'Shelf',
  prepare: 'Prepare',
  read: 'Read',
  sections: 'Sections',
  marks: 'Marks',
  ladder: 'Ladder',
  lesson: 'Lesson',
  sheet: 'Sheet',
  home: 'Home',
  board: 'Board',
  files: 'Files',
  settings: 'Settings',
  about: 'About',
};

function Count({ count }: { readonly count: number }): ReactNode {
  if (count === 0) return null;
  return (
    <span className="figure min-w-6 rounded-full border border-current px-1.5 text-center text-sm leading-5">
      {count}
      <span className="sr-only"> to do</span>
    </span>
  );
}

function StageLinks({ stages }: { readonly stages: readonly Stage[] }): ReactNode {
  const where = useWhere();
  const counts = useStageCounts();
  return (
    <ul className="flex border-l border-rule-strong">
      {stages.map((stage) => (
        <li key={stage}>
          <Link
            prefetch={false}
            href={where.addressOf(stage)}
            aria-current={where.stage === stage ? 'page' : undefined}
            className={`flex min-h-11 items-center gap-2 border-r border-rule-strong px-3 font-semibold lg:px-4 ${where.stage === stage ? 'bg-leaf-deep text-white' : 'text-ink-2 hover:bg-leaf-wash'}`}
          >
            {STAGE_NAMES[stage]}
            <Count count={counts[stage] ?? 0} />
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** The stages in the order of the work, in one line. */
export function StageLine(): ReactNode {
  return (
    <nav aria-label="Stages" className="hidden border-t border-rule-strong px-3 sm:flex lg:px-5">
      <StageLinks stages={STAGES} />
    </nav>
  );
}

/** What belongs to the studio as a whole, behind one button. */
export function StudioMenu({ more }: { readonly more: ReactNode }): ReactNode {
  const where = useWhere();
  return (
    <Menu as="nav" aria-label="Studio" className="hidden sm:block">
      <MenuButton className="flex min-h-11 items-center gap-2 rounded px-3 font-semibold text-ink-2 hover:bg-leaf-wash">
        Studio <ChevronDown size={18} aria-hidden="true" />
      </MenuButton>
      <MenuItems
        anchor="bottom end"
        modal={false}
        className="z-50 min-w-56 overflow-auto rounded border border-rule-strong bg-sheet p-1 focus:outline-none"
        onKeyDown={(event) => event.stopPropagation()}
      >
        {STUDIO_STAGES.map((stage) => (
          <MenuItem key={stage}>
            <Link
              prefetch={false}
              href={where.addressOf(stage)}
              aria-current={where.stage === stage ? 'page' : undefined}
              className={`flex min-h-11 items-center rounded px-3 data-focus:bg-leaf-wash ${where.stage === stage ? 'font-bold' : ''}`}
            >
              {STAGE_NAMES[stage]}
            </Link>
          </MenuItem>
        ))}
        {more}
      </MenuItems>
    </Menu>
  );
}

/** The same behind one button, where there is no room for a line of them. */
export function StageMenu({ more }: { readonly more: ReactNode }): ReactNode {
  const where = useWhere();
  const counts = useStageCounts();
  return (
    <Menu as="nav" aria-label="Stages" className="sm:hidden">
      <MenuButton className="flex min-h-11 items-center gap-2 rounded border border-rule-strong px-3 font-semibold">
        <Lines size={18} aria-hidden="true" /> {STAGE_NAMES[where.stage]}
      </MenuButton>
      <MenuItems
        anchor="bottom start"
        modal={false}
        className="z-50 min-w-56 overflow-auto rounded border border-rule-strong bg-sheet p-1 focus:outline-none"
        onKeyDown={(event) => event.stopPropagation()}
      >
        {[...STAGES, ...STUDIO_STAGES].map((stage) => (
          <MenuItem key={stage}>
            <Link
              prefetch={false}
              href={where.addressOf(stage)}
              aria-current={where.stage === stage ? 'page' : undefined}
              className={`flex min-h-11 items-center justify-between gap-3 rounded px-3 data-focus:bg-leaf-wash ${where.stage === stage ? 'font-bold' : ''}`}
            >
              {STAGE_NAMES[stage]}
              <Count count={counts[stage] ?? 0} />
            </Link>
          </MenuItem>
        ))}
        {more}
      </MenuItems>
    </Menu>
  );
}
