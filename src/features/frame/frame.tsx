'use client';

import { MenuItem } from '@headlessui/react';
import { Redo2, Search, Undo2, X } from 'lucide-react';
import Link from 'next/link';
import { useEffect, useRef, useState, type ReactNode, type RefObject } from 'react';
import { Toaster } from 'sonner';
import { useStudio, useUndoLabels } from '@/store';
import { Button } from '@/ui';
import { ProblemBoundary, SaveStudioButton, useActs } from '@/features/acts';
import { useTextSize } from '@/features/settings';
import { TourCard, useTour } from '@/features/tour';
import { useWhere } from '@/features/where';
import { Finder } from '@/features/find';
import { FromHome } from '@/features/from-home';
import { useKey } from '@/features/keys';
import { KeysDialog } from './keys-dialog';
import { NextLine } from './next-line';
import { StageLine, StageMenu, STAGE_NAMES, StudioMenu } from './stages';
import { BringUpToDate } from './bring-up-to-date';
import { useNextThing } from './use-next-thing';
import { useSteps } from './use-steps';
import { WhoAndWhat, WhoAndWhatButton } from './who-and-what';

/** The ways between the demo and the own studio. */
function useStudios(): { readonly isDemo: boolean; readonly leave: () => void; readonly look: () => void } {
  const studio = useStudio();
  const where = useWhere();
  const { act } = useActs();
  const open = (name: 'own' | 'demo') => (): void => {
    act(() => studio.openStudio(name));
    where.go('shelf', { pieceId: null, studentId: null });
  };
  return { isDemo: studio.name === 'demo', leave: open('own'), look: open('demo') };
}

/** One line of the menu of the studio. */
function StudioItem({ onClick, children }: { readonly onClick: () => void; readonly children: ReactNode }): ReactNode {
  return (
    <MenuItem>
      <button
        type="button"
        className="flex min-h-11 w-full items-center rounded px-3 text-left font-semibold text-leaf data-focus:bg-leaf-wash"
        onClick={onClick}
      >
        {children}
      </button>
    </MenuItem>
  );
}

/** Who goes to a stage by its link is in the stage then: its keys are not the link's. */
function useFocusOnStage(stage: string): RefObject<HTMLElement | null> {
  const main = useRef<HTMLElement | null>(null);
  useEffect(() => {
    if (document.activeElement?.closest('header, [role="menu"]')) main.current?.focus({ preventScroll: true });
  }, [stage]);
  return main;
}

const ABOUT_DEMO = 'You are looking at the demo studio: made-up pieces and students to try everything on.';

const NOTICE_CLOSED = 'oak-rungs.demo-notice-closed';

/** Says that this is the demo, until that is closed for good. */
function DemoNotice({ onLeave, onTour }: { readonly onLeave: () => void; readonly onTour: () => void }): ReactNode {
  const [closed, setClosed] = useState(() => localStorage.getItem(NOTICE_CLOSED) !== null);
  if (closed) return null;
  return (
    <span className="hidden items-center sm:flex">
      <span className="hidden lg:inline">
        <Button look="quiet" title={ABOUT_DEMO} onClick={onTour}>
          <span className="hidden 2xl:inline">Demo studio:</span> Tour
        </Button>
      </span>
      <Button title={ABOUT_DEMO} aria-label="Start my own, empty studio" onClick={onLeave}>
        Start my own
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
      prefetch={false}
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
  const { isDemo, leave, look } = useStudios();
  const tour = useTour();
  const main = useFocusOnStage(where.stage);
  useTextSize();
  const [finding, setFinding] = useState(false);
  const next = useNextThing();
  useKey('everywhere.list', () => setKeysOpen(true));
  useKey('everywhere.find', () => setFinding(true));
  const studios = (
    <>
      {isDemo ? (
        <StudioItem onClick={() => tour.goTo(0)}>Two-minute tour of the demo</StudioItem>
      ) : (
        <StudioItem onClick={look}>Look at the demo studio</StudioItem>
      )}
      {isDemo ? <StudioItem onClick={leave}>Start my own, empty studio</StudioItem> : null}
    </>
  );
  return (
    <div className="min-h-screen print:min-h-0">
      <header className="no-print relative border-b-[3px] border-double border-rule-strong bg-sheet">
        <div className="flex items-center gap-2 px-3 py-1.5 lg:gap-4 lg:px-5">
          <Mark />
          <StageMenu more={studios} />
          <WhoAndWhat />
          <WhoAndWhatButton />
          <div className="ml-auto flex shrink-0 items-center gap-1">
            {isDemo ? <DemoNotice onLeave={leave} onTour={() => tour.goTo(0)} /> : null}
            <Button look="quiet" className="min-w-11" title="Find anything (F2)" onClick={() => setFinding(true)}>
              <Search size={20} aria-hidden="true" />
              <span className="sr-only">Find anything</span>
            </Button>
            <Steps onKeys={() => setKeysOpen(true)} />
            <StudioMenu more={studios} />
          </div>
        </div>
        <StageLine />
        <BringUpToDate />
        {/* In the practice room it is the student who does the next thing. */}
        {where.stage === 'home' ? null : <NextLine next={next} />}
      </header>
      <main ref={main} tabIndex={-1} className="px-3 pb-20 pt-3 outline-none sm:px-5 xl:pb-3 print:p-0">
        <ProblemBoundary key={where.stage} what={STAGE_NAMES[where.stage]} waysOut={<SaveStudioButton />}>
          {children}
        </ProblemBoundary>
      </main>
      <FromHome />
      {isDemo ? <TourCard onOwn={leave} /> : null}
      <Finder open={finding} stageNames={STAGE_NAMES} next={next} onClose={() => setFinding(false)} />
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
