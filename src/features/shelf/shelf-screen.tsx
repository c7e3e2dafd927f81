'use client';

import { Camera, FilePlus2 } from 'lucide-react';
import Link from 'next/link';
import { useMemo, useRef, useState, type ChangeEvent, type DragEvent, type ReactNode, type RefObject } from 'react';
import { isTechnique } from '@/core/studio';
import { useEveryPiece, useGlances, useStudents, useStudio } from '@/store';
import { Button, EmptyState, later, MoreMenu, Problem } from '@/ui';
import { useWhere } from '@/features/where';
import { useKey } from '@/features/keys';
import { FirstLook } from '@/features/score';
import { RemovedRows } from '@/features/removed';
import { ANYTHING, choicesOf, findPieces, shelfRows, type ShelfRow, type Sort, type Wanted } from './find-pieces';
import { PieceTable } from './piece-table';
import { ShelfSearch } from './shelf-search';
import { Beginning, useBeginning } from './beginning';
import { useTaking, type Asking, type Taken } from './use-taking';

const BringPagesDialog = later(() => import('@/features/pages').then((m) => m.BringPagesDialog));
const TwiceDialog = later(() => import('./twice-dialog').then((m) => m.TwiceDialog));
const WhosePartDialog = later(() => import('./whose-part-dialog').then((m) => m.WhosePartDialog));
const NewPieceDialog = later(
  () => import('./new-piece-dialog').then((m) => m.NewPieceDialog),
  ({ kind }) => kind !== null,
);
const ExerciseDialog = later(
  () => import('./exercise-dialog').then((m) => m.ExerciseDialog),
  ({ open }) => open,
);

/** What is made here instead of brought in. */
const OTHER_WAYS = [
  ['grid', 'Lay out a printed piece'],
  ['text', 'Type a piece'],
  ['exercise', 'Add an exercise'],
] as const;

const ACCEPT = '.musicxml,.xml,.mxl,.abc,.mid,.midi,.pdf,.png,.jpg,.jpeg,.webp,application/pdf,image/*';

/** What is asked of the file in hand. */
function AskingDialog({ asking }: { readonly asking: Asking | null }): ReactNode {
  if (!asking) return null;
  const { fileName } = asking;
  if (asking.kind === 'twice')
    return (
      <TwiceDialog
        key={fileName}
        piece={asking.piece}
        same={asking.same}
        fileName={fileName}
        onAnswer={asking.answer}
      />
    );
  const { opened, answer } = asking;
  // Another score of the file is another question.
  return (
    <WhosePartDialog key={opened.scores?.path ?? fileName} opened={opened} fileName={fileName} onChosen={answer} />
  );
}

/** What became of the files: each that failed as a problem, of several a list with where to go on. */
function Became({ taken }: { readonly taken: readonly Taken[] }): ReactNode {
  const where = useWhere();
  const there = taken.filter((t) => !t.failed);
  return (
    <>
      {taken
        .filter((t) => t.failed)
        .map((t) => (
          <div key={t.fileName} className="mb-3">
            <Problem>{t.says}</Problem>
          </div>
        ))}
      {there.length > 0 ? (
        <ul className="panel mb-3 p-3" aria-label="Brought in">
          {there.map((t) => (
            <li key={t.fileName} className="flex flex-wrap items-center gap-3">
              <span className="min-w-0 flex-1">
                {t.fileName}: {t.says}
              </span>
              {t.pieceId === null ? null : (
                <Link
                  prefetch={false}
                  className="flex min-h-11 items-center font-semibold text-leaf"
                  href={where.addressOf('prepare', { pieceId: t.pieceId })}
                >
                  Prepare it
                </Link>
              )}
            </li>
          ))}
        </ul>
      ) : null}
    </>
  );
}

/** Pieces, and technique exercises below them. */
function Lists({ rows }: { readonly rows: readonly ShelfRow[] }): ReactNode {
  const exercises = rows.filter((r) => isTechnique(r.piece));
  const pieces = rows.filter((r) => !isTechnique(r.piece));
  if (rows.length === 0) return <p className="panel p-6 text-center text-lg text-ink-2">No piece is like that.</p>;
  return (
    <>
      {pieces.length > 0 ? <PieceTable label="Pieces" rows={pieces} /> : null}
      {exercises.length > 0 ? (
        <section aria-labelledby="exercises" className="mt-6">
          <h2 id="exercises" className="mb-2">
            Exercises and studies
          </h2>
          <PieceTable label="Exercises and studies" rows={exercises} />
        </section>
      ) : null}
    </>
  );
}

/** The pieces that are there, looked through; `undefined` while loading. */
function useShelf() {
  const pieces = useEveryPiece();
  const students = useStudents();
  const glances = useGlances(null);
  const [wanted, setWanted] = useState<Wanted>(ANYTHING);
  const [sort, setSort] = useState<Sort>('used');
  const rows = useMemo(() => {
    const heardAt = new Map<string, string>();
    for (const g of glances ?? []) if ((heardAt.get(g.pieceId) ?? '') < g.heardAt) heardAt.set(g.pieceId, g.heardAt);
    return shelfRows(pieces ?? [], students ?? [], heardAt);
  }, [pieces, students, glances]);
  const found = useMemo(() => findPieces(rows, wanted, sort), [rows, wanted, sort]);
  return {
    isThere: pieces !== undefined && students !== undefined && glances !== undefined,
    rows,
    found,
    wanted,
    sort,
    there: choicesOf(rows.filter((r) => (r.piece.archived ?? false) === wanted.archived)),
    archived: rows.filter((r) => r.piece.archived).length,
    onWanted: (change: Partial<Wanted>) => setWanted((before) => ({ ...before, ...change })),
    onSort: setSort,
  };
}

function NoPiece(): ReactNode {
  const studio = useStudio();
  const [beginning] = useBeginning();
  // The first steps say the same.
  if (studio.name === 'own' && beginning === 'shown') return null;
  return (
    <EmptyState title="No piece yet">
      <p>
        Bring in a MusicXML file, a photograph, a scan or a PDF: bars, sections and everything after follow from it.
      </p>
    </EmptyState>
  );
}

/** Where files are chosen, and pages photographed. */
function FileInputs({
  input,
  camera,
  onFiles,
}: {
  readonly input: RefObject<HTMLInputElement | null>;
  readonly camera: RefObject<HTMLInputElement | null>;
  readonly onFiles: (files: readonly File[]) => void;
}): ReactNode {
  const taken = (event: ChangeEvent<HTMLInputElement>): void => {
    onFiles([...(event.target.files ?? [])]);
    event.target.value = '';
  };
  const common = { type: 'file', multiple: true, className: 'sr-only', tabIndex: -1, onChange: taken } as const;
  return (
    <>
      <input ref={input} {...common} accept={ACCEPT} aria-label="Choose a music file" />
      <input ref={camera} {...common} accept="image/*" capture="environment" aria-label="Photograph pages" />
    </>
  );
}

/** The pieces of the studio; files are dropped or chosen here. */
export function ShelfScreen(): ReactNode {
  const input = useRef<HTMLInputElement | null>(null);
  const field = useRef<HTMLInputElement | null>(null);
  const { takeAll, busy, look, taken, asking, pages, pagesDone } = useTaking();
  const camera = useRef<HTMLInputElement | null>(null);
  const shelf = useShelf();
  const [over, setOver] = useState(false);
  const [making, setMaking] = useState<'grid' | 'text' | 'exercise' | null>(null);
  useKey('shelf.find', () => field.current?.focus());
  useKey('shelf.bring', () => input.current?.click());
  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    setOver(false);
    takeAll([...event.dataTransfer.files]);
  };
  return (
    <div
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={onDrop}
      className={`min-h-[60vh] rounded ${over ? 'outline-2 outline-dashed outline-leaf' : ''}`}
    >
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1>Shelf</h1>
        <p className="hidden text-ink-2 sm:block">
          Drop files anywhere here: photographs, scans or PDFs of pages, MusicXML, ABC or, roughly, MIDI.
        </p>
        <div className="ml-auto flex flex-wrap items-center gap-2">
          <span className="hidden gap-2 lg:flex">
            {OTHER_WAYS.map(([kind, name]) => (
              <Button key={kind} onClick={() => setMaking(kind)}>
                {name}
              </Button>
            ))}
          </span>
          <span className="lg:hidden">
            <MoreMenu
              label="Other ways to a piece"
              items={OTHER_WAYS.map(([kind, name]) => [name, () => setMaking(kind)] as const)}
            />
          </span>
          <Button onClick={() => camera.current?.click()}>
            <Camera size={18} aria-hidden="true" /> Photograph a page
          </Button>
          <Button look="primary" shortcut="B" onClick={() => input.current?.click()}>
            <FilePlus2 size={18} aria-hidden="true" /> Bring in pieces
          </Button>
        </div>
        <AskingDialog asking={asking} />
        {pages ? <BringPagesDialog files={pages} onDone={pagesDone} /> : null}
        <NewPieceDialog kind={making === 'exercise' ? null : making} onClose={() => setMaking(null)} />
        <ExerciseDialog open={making === 'exercise'} onClose={() => setMaking(null)} />
        <FileInputs input={input} camera={camera} onFiles={takeAll} />
      </div>
      <div role="status" aria-live="polite">
        {busy ? <p className="py-2">{busy}</p> : null}
      </div>
      {look ? (
        <div className="mb-3 rounded border border-rule bg-sheet px-3 py-1">
          <FirstLook svg={look} label="First bars of the file" />
        </div>
      ) : null}
      <Became taken={taken} />
      <Beginning onBring={() => input.current?.click()} />
      {!shelf.isThere ? null : shelf.rows.length === 0 ? (
        <NoPiece />
      ) : (
        <>
          <ShelfSearch {...shelf} field={field} />
          <Lists rows={shelf.found} />
        </>
      )}
      <RemovedRows of="pieces" />
    </div>
  );
}
