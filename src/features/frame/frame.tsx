'use client';

import { MenuItem } from '@headlessui/react';
import { Redo2, Undo2, X } from 'lucide-react';
import Link from 'next/link';
import { useEffect, useState, type ReactNode } from 'react';
import { toast, Toaster } from 'sonner';
import { useStudio, useUndoLabels } from '@/store';
import { Button } from '@/ui';
import { ProblemBoundary, SaveStudioButton, showProblem, useActs } from '@/features/acts';
import { useTextSize } from '@/features/settings';
import { useWhere } from '@/features/where';
import { warmEngraver } from '@/workers';
import { useKey } from '@/features/keys';
import { KeysDialog } from './keys-dialog';
import { NextLine } from './next-line';
import { StageLine, StageMenu, STAGE_NAMES, StudioMenu } from './stages';
import { WhoAndWhat, WhoAndWhatButton } from './who-and-what';

/** A way from the demo into the own studio: a word beside who and what, not a line of its own. */
function useLeavingDemo(): { readonly isDemo: boolean; readonly leave: () => void } {
  const studio = useStudio();
  const where = useWhere();
  const { act } = useActs();
  return {
    isDemo: studio.name === 'demo',
    leave: () => {
      act(() => studio.openStudio('own'));
      where.go('shelf', { pieceId: null, studentId: null });
    },
  };
}

const ABOUT_DEMO = 'You are looking at the demo studio: made-up pieces and students to try everything on.';

const NOTICE_CLOSED = 'oak-rungs.demo-notice-closed';

/** Says that this is the demo, until that is closed for good. */
function DemoNotice({ onLeave }: { readonly onLeave: () => void }): ReactNode {
  const [closed, setClosed] = useState(() => localStorage.getItem(NOTICE_CLOSED) !== null);
  if (closed) return null;
  return (
    <span className="hidden items-center sm:flex">
      <Button title={ABOUT_DEMO} aria-label="Start my own, empty studio" onClick={onLeave}>
        <span className="hidden text-ink-2 lg:inline">Demo studio.</span> Start my own
      </Button>
      <Button
        look="quiet"
        aria-label="Close this notice for good"
        onClick={() => {
          localStorage.setItem(NOTICE_CLOSED, 'yes');
          setClosed(true);
        }}
      >
        <X size={18} aria-hidden="true" />
      </Button>
    </span>
  );
}

/** What was done last taken back or done again, by buttons and keys. */
function useSteps(): (way: 'undo' | 'redo') => void {
  const studio = useStudio();
  const { act } = useActs();
  const step = (way: 'undo' | 'redo'): void =>
    act(async () => {
      const done = await studio[way]();
      if (!done.ok) showProblem(done.issue);
      else if (done.value === null) toast(`Nothing to ${way}`);
      else toast(way === 'undo' ? `Undone: ${done.value}` : `Done again: ${done.value}`);
    });
  useKey('everywhere.undo', () => step('undo'));
  useKey('everywhere.redo', () => step('redo'));
  return step;
}

/** Undo, redo and the keys: words where there is room for them. */
function Steps({ onKeys }: { readonly onKeys: () => void }): ReactNode {
  const step = useSteps();
  const labels = useUndoLabels();
  return (
    <>
      <Button
        look="quiet"
        className="min-w-11"
        onClick={() => step('undo')}
        disabled={!labels?.undo}
        title={labels?.undo ? `Undo: ${labels.undo}` : 'Nothing to undo'}
      >
        <Undo2 size={20} aria-hidden="true" />
        <span className="sr-only">Undo</span>
      </Button>
      <span className="hidden items-center gap-1 sm:flex">
        <Button
          look="quiet"
          className="min-w-11"
          onClick={() => step('redo')}
          disabled={!labels?.redo}
          title={labels?.redo ? `Redo: ${labels.redo}` : 'Nothing to redo'}
        >
          <Redo2 size={20} aria-hidden="true" />
          <span className="sr-only">Redo</span>
        </Button>
        <Button look="quiet" shortcut="?" onClick={onKeys}>
          <span className="sr-only">Keys</span>
        </Button>
      </span>
    </>
  );
}

function Mark(): ReactNode {
  const where = useWhere();
  return (
    <Link
      href={where.addressOf('shelf')}
      aria-label="Oak Rungs"
      className="hidden shrink-0 items-center gap-2 text-leaf-deep sm:flex"
    >
      <svg width="18" height="26" viewBox="0 0 18 26" aria-hidden="true">
        <path d="M3 1v24M15 1v24" stroke="currentColor" strokeWidth="3" />
        <path d="M3 6h12M3 11h12M3 16h12M3 21h12" stroke="currentColor" strokeWidth="2" />
      </svg>
      <span className="hidden text-xl font-semibold lg:inline" style={{ fontFamily: 'var(--font-head)' }}>
        Oak Rungs
      </span>
    </Link>
  );
}

/**
 * Always on screen: who and what as one sentence, the stages in the order of the work, undo and the keys. Two lines on
 * a desk and on a tablet, one on a telephone.
 */
export function Frame({ children }: { readonly children: ReactNode }): ReactNode {
  const where = useWhere();
  const [keysOpen, setKeysOpen] = useState(false);
  const { isDemo, leave } = useLeavingDemo();
  useEffect(warmEngraver, []);
  useTextSize();
  useKey('everywhere.list', () => setKeysOpen(true));
  const ownStudio = isDemo ? (
    <MenuItem>
      <button
        type="button"
        className="mt-1 flex min-h-11 w-full items-center border-t border-rule px-3 text-left font-semibold text-leaf data-focus:bg-leaf-wash"
        onClick={leave}
      >
        Start my own, empty studio
      </button>
    </MenuItem>
  ) : null;
  return (
    <div className="min-h-screen">
      <header className="no-print relative border-b-[3px] border-double border-rule-strong bg-sheet">
        <div className="flex items-center gap-2 px-3 py-1.5 lg:gap-4 lg:px-5">
          <Mark />
          <StageMenu more={ownStudio} />
          <WhoAndWhat />
          <WhoAndWhatButton />
          <div className="ml-auto flex shrink-0 items-center gap-1">
            {isDemo ? <DemoNotice onLeave={leave} /> : null}
            <Steps onKeys={() => setKeysOpen(true)} />
            <StudioMenu more={ownStudio} />
          </div>
        </div>
        <StageLine />
        <NextLine />
      </header>
      <main className="px-3 pb-20 pt-3 sm:px-5 xl:pb-3">
        <ProblemBoundary key={where.stage} what={STAGE_NAMES[where.stage]} waysOut={<SaveStudioButton />}>
          {children}
        </ProblemBoundary>
      </main>
      <KeysDialog open={keysOpen} stage={where.stage} onClose={() => setKeysOpen(false)} />
      <Toaster
        position="bottom-right"
        toastOptions={{
          style: {
            fontFamily: 'var(--font-text)',
            fontSize: '1rem',
            borderRadius: 4,
            color: 'var(--color-ink)',
            boxShadow: 'none',
            border: '1px solid var(--color-rule-strong)',
          },
        }}
      />
    </div>
  );
}
