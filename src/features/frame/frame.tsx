'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import Link from 'next/link';
import { useEffect, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { toast, Toaster } from 'sonner';
import { usePieces, useStudents, useStudio, useUndoLabels } from '@/store';
import { Button } from '@/ui';
import { ProblemBoundary, SaveStudioButton, showProblem, useActs } from '@/features/acts';
import { SIDE_STAGES, STAGES, useWhere, type Stage } from '@/features/where';
import { warmEngraver } from '@/workers';
import { Chooser } from './chooser';
import { PartChooser } from './part-chooser';
import { EVERYWHERE_KEYS, STAGE_KEYS } from './keys';
import { useStageCounts } from './stage-counts';

const NAMES: Readonly<Record<Stage, string>> = {
  shelf: 'Shelf',
  prepare: 'Prepare',
  read: 'Read',
  sections: 'Sections',
  marks: 'Marks',
  ladder: 'Ladder',
  lesson: 'Lesson',
  board: 'Board',
  files: 'Files',
  about: 'About',
};

function StageLink({
  stage,
  count,
  current,
  href,
}: {
  readonly stage: Stage;
  readonly count: number;
  readonly current: boolean;
  readonly href: string;
}): ReactNode {
  return (
    <li>
      <Link
        href={href}
        aria-current={current ? 'page' : undefined}
        className={`flex min-h-11 items-center gap-2 border-r border-rule-strong px-4 font-semibold ${current ? 'bg-leaf-deep text-white' : 'text-ink-2 hover:bg-leaf-wash'}`}
      >
        {NAMES[stage]}
        {count > 0 ? (
          <span className="figure min-w-6 rounded-full border border-current px-1.5 text-center text-sm leading-5">
            {count}
            <span className="sr-only"> to do</span>
          </span>
        ) : null}
      </Link>
    </li>
  );
}

function KeysDialog({
  open,
  stage,
  onClose,
}: {
  readonly open: boolean;
  readonly stage: Stage;
  readonly onClose: () => void;
}): ReactNode {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 bg-ink/30" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="panel w-full max-w-lg p-6">
          <DialogTitle className="mb-3 text-xl font-semibold">Keys in {NAMES[stage]}</DialogTitle>
          <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2 text-lg">
            {[...STAGE_KEYS[stage], ...EVERYWHERE_KEYS].map(([key, does]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd>{key}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <Button look="primary" className="mt-5" onClick={onClose}>
            Close
          </Button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

/** Always on screen: who and what as one sentence, the stages in the order of the work, undo and the keys. */
export function Frame({ children }: { readonly children: ReactNode }): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const pieces = usePieces() ?? [];
  const students = useStudents() ?? [];
  const labels = useUndoLabels();
  const counts = useStageCounts();
  const [keysOpen, setKeysOpen] = useState(false);
  useEffect(warmEngraver, []);

  const { act } = useActs();
  const step = (way: 'undo' | 'redo'): void =>
    act(async () => {
      const done = await studio[way]();
      if (!done.ok) showProblem(done.issue);
      else if (done.value === null) toast(`Nothing to ${way}`);
      else toast(way === 'undo' ? `Undone: ${done.value}` : `Done again: ${done.value}`);
    });
  useHotkeys('mod+z', (event) => {
    event.preventDefault();
    step('undo');
  });
  useHotkeys('mod+shift+z, mod+y', (event) => {
    event.preventDefault();
    step('redo');
  });
  useHotkeys('shift+slash, ?', () => setKeysOpen(true), { useKey: true });
  useHotkeys('alt+1, alt+2, alt+3, alt+4, alt+5, alt+6, alt+7, alt+8', (event) => {
    const stage = [...STAGES, ...SIDE_STAGES][Number(event.code.replace('Digit', '')) - 1];
    if (stage) {
      event.preventDefault();
      where.go(stage);
    }
  });

  return (
    <div className="min-h-screen">
      <header className="no-print border-b-[3px] border-double border-rule-strong bg-sheet">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-5 py-2">
          <Link href={where.addressOf('shelf')} className="flex items-center gap-2 text-leaf-deep">
            <svg width="18" height="26" viewBox="0 0 18 26" aria-hidden="true">
              <path d="M3 1v24M15 1v24" stroke="currentColor" strokeWidth="3" />
              <path d="M3 6h12M3 11h12M3 16h12M3 21h12" stroke="currentColor" strokeWidth="2" />
            </svg>
            <span className="text-xl font-semibold" style={{ fontFamily: 'var(--font-head)' }}>
              Oak Rungs
            </span>
          </Link>
          <span className="ml-3 text-lg text-ink-2">with</span>
          <Chooser
            label="Student"
            value={where.studentId}
            choices={[{ id: null, label: 'everyone' }, ...students.map((s) => ({ id: s.id, label: s.name }))]}
            onChoose={(id) => where.change({ studentId: id })}
          />
          <span className="text-lg text-ink-2">on</span>
          <Chooser
            label="Piece"
            value={where.pieceId}
            choices={[
              { id: null, label: 'no piece' },
              ...pieces.map((p) => ({ id: p.id, label: p.title || p.fileName })),
            ]}
            onChoose={(id) => where.change({ pieceId: id })}
          />
          <PartChooser />
          <div className="ml-auto flex items-center gap-1">
            <Button
              look="quiet"
              onClick={() => step('undo')}
              disabled={!labels?.undo}
              title={labels?.undo ? `Undo: ${labels.undo}` : 'Nothing to undo'}
            >
              Undo
            </Button>
            <Button
              look="quiet"
              onClick={() => step('redo')}
              disabled={!labels?.redo}
              title={labels?.redo ? `Redo: ${labels.redo}` : 'Nothing to redo'}
            >
              Redo
            </Button>
            <Button look="quiet" shortcut="?" onClick={() => setKeysOpen(true)}>
              Keys
            </Button>
          </div>
        </div>
        <nav
          aria-label="Stages"
          className="flex flex-wrap justify-between border-t-[3px] border-double border-rule-strong px-5"
        >
          <ul className="flex flex-wrap border-l border-rule-strong">
            {STAGES.map((stage) => (
              <StageLink
                key={stage}
                stage={stage}
                count={counts[stage] ?? 0}
                current={where.stage === stage}
                href={where.addressOf(stage)}
              />
            ))}
          </ul>
          <ul className="flex flex-wrap border-l border-rule-strong">
            {[...SIDE_STAGES, 'about' as const].map((stage) => (
              <StageLink
                key={stage}
                stage={stage}
                count={0}
                current={where.stage === stage}
                href={where.addressOf(stage)}
              />
            ))}
          </ul>
        </nav>
      </header>
      {studio.name === 'demo' ? (
        <div className="no-print flex flex-wrap items-center gap-3 border-b border-rule bg-leaf-wash px-5 py-1.5 text-ink">
          <span>You are looking at the demo studio: made-up pieces and students to try everything on.</span>
          <Button
            className="ml-auto"
            onClick={() => {
              act(() => studio.openStudio('own'));
              where.go('shelf', { pieceId: null, studentId: null });
            }}
          >
            Start my own, empty studio
          </Button>
        </div>
      ) : null}
      <main className="px-5 py-3">
        <ProblemBoundary key={where.stage} what={NAMES[where.stage]} waysOut={<SaveStudioButton />}>
          {children}
        </ProblemBoundary>
      </main>
      <KeysDialog open={keysOpen} stage={where.stage} onClose={() => setKeysOpen(false)} />
      <Toaster
        position="bottom-right"
        toastOptions={{
          style: {
            fontFamily: 'var(--font-text)',
            fontSize: 16,
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
