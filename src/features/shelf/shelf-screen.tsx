'use client';

import { FilePlus2, Trash2 } from 'lucide-react';
import Link from 'next/link';
import { useRef, useState, type DragEvent, type ReactNode } from 'react';
import { toast } from 'sonner';
import { removePiece } from '@/core/commands';
import { instrumentName } from '@/core/instruments';
import { dayOf, isTechnique, shortDay, type Piece } from '@/core/studio';
import { usePieces, useStudio } from '@/store';
import { Button, EmptyState, Problem } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';
import type { OpenedFile } from '@/workers';
import { ExerciseDialog } from './exercise-dialog';
import { bringIn, type AboutFile, type AskWhosePart } from './bring-in';
import { NewPieceDialog } from './new-piece-dialog';
import { WhosePartDialog } from './whose-part-dialog';

const FORMAT: Readonly<Record<Piece['format'], string>> = {
  musicxml: 'MusicXML',
  mxl: 'MusicXML, zipped',
  abc: 'ABC',
  midi: 'MIDI, rough',
  grid: 'bar grid',
};
const ACCEPT = '.musicxml,.xml,.mxl,.abc,.mid,.midi';

/** A file of which something is asked before it comes in. */
interface Asking {
  readonly opened: OpenedFile;
  readonly fileName: string;
  readonly answer: (about: AboutFile | null) => void;
}

/** Files taken one after the other; each that cannot be read is said. */
function useTaking() {
  const studio = useStudio();
  const where = useWhere();
  const { act } = useActs();
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [busy, setBusy] = useState<string | null>(null);
  const [asking, setAsking] = useState<Asking | null>(null);
  const ask: AskWhosePart = (opened, fileName) =>
    new Promise((resolve) => {
      setBusy(null);
      setAsking({
        opened,
        fileName,
        answer: (about) => {
          setAsking(null);
          resolve(about);
        },
      });
    });
  const take = async (files: readonly File[]): Promise<void> => {
    const failed: string[] = [];
    for (const file of files) {
      setBusy(file.name);
      const result = await bringIn(studio, file, ask);
      if (result === null) continue;
      if (!result.ok) failed.push(result.issue.message);
      else {
        toast(result.value.says);
        if (files.length === 1) where.go('prepare', { pieceId: result.value.made ?? null });
      }
    }
    setProblems(failed);
  };
  const takeAll = (files: readonly File[]): void =>
    act(async () => {
      try {
        await take(files);
      } finally {
        setBusy(null);
      }
    });
  return { takeAll, busy, problems, asking };
}

/** What is asked of the file in hand. */
function AskingDialog({ asking }: { readonly asking: Asking | null }): ReactNode {
  if (!asking) return null;
  const { opened, fileName, answer } = asking;
  // Another score of the file is another question.
  return (
    <WhosePartDialog key={opened.scores?.path ?? fileName} opened={opened} fileName={fileName} onChosen={answer} />
  );
}

function PieceTable({ pieces }: { readonly pieces: readonly Piece[] }): ReactNode {
  const { zone } = useStudio();
  const where = useWhere();
  const { run } = useActs();
  const remove = (piece: Piece): void =>
    run(
      removePiece,
      { pieceId: piece.id },
      { stored: () => where.pieceId === piece.id && where.change({ pieceId: null }) },
    );

  return (
    <table className="panel w-full border-collapse text-left">
      <thead className="text-sm text-ink-2">
        <tr>
          <th className="px-4 py-2 font-semibold">Piece</th>
          <th className="hidden px-4 py-2 font-semibold md:table-cell">Composer</th>
          <th className="hidden px-4 py-2 font-semibold md:table-cell">Instrument</th>
          <th className="hidden px-4 py-2 font-semibold md:table-cell">From</th>
          <th className="hidden px-4 py-2 font-semibold md:table-cell">Brought in</th>
          <th className="px-4 py-2">
            <span className="sr-only">Remove</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {pieces.map((piece) => (
          <tr key={piece.id} className={`border-t border-rule ${piece.id === where.pieceId ? 'bg-acorn-wash' : ''}`}>
            <td className="px-4 py-1">
              <Link
                href={where.addressOf('read', { pieceId: piece.id })}
                className="flex min-h-11 items-center text-lg font-semibold text-leaf underline-offset-4 hover:underline"
              >
                {piece.title}
              </Link>
              <span className="block pb-1 text-ink-2 md:hidden">
                {[piece.composer, instrumentName(piece)].filter((t) => t !== '').join(', ')}
              </span>
            </td>
            <td className="hidden px-4 md:table-cell">{piece.composer}</td>
            <td className="hidden px-4 md:table-cell">{instrumentName(piece)}</td>
            <td className="hidden px-4 md:table-cell">{piece.exercise ? 'exercise' : FORMAT[piece.format]}</td>
            <td className="figure hidden px-4 md:table-cell">{shortDay(dayOf(piece.addedAt, zone))}</td>
            <td className="px-4 text-right">
              <Button look="quiet" aria-label={`Remove ${piece.title}`} onClick={() => remove(piece)}>
                <Trash2 size={18} aria-hidden="true" />
              </Button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Pieces, and technique exercises below them. */
function Lists({ pieces }: { readonly pieces: readonly Piece[] }): ReactNode {
  const exercises = pieces.filter(isTechnique);
  return (
    <>
      <PieceTable pieces={pieces.filter((p) => !isTechnique(p))} />
      {exercises.length > 0 ? (
        <section aria-labelledby="exercises" className="mt-6">
          <h2 id="exercises" className="mb-2">
            Exercises and studies
          </h2>
          <PieceTable pieces={exercises} />
        </section>
      ) : null}
    </>
  );
}

/** The pieces of the studio; files are dropped or chosen here. */
export function ShelfScreen(): ReactNode {
  const studio = useStudio();
  const { act } = useActs();
  const pieces = usePieces();
  const input = useRef<HTMLInputElement | null>(null);
  const { takeAll, busy, problems, asking } = useTaking();
  const [over, setOver] = useState(false);
  const [making, setMaking] = useState<'grid' | 'text' | 'exercise' | null>(null);

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
      <div className="mb-4 flex flex-wrap items-center gap-4">
        <h1>Shelf</h1>
        <p className="text-ink-2">
          Drop a file anywhere here: MusicXML (.musicxml, .xml, .mxl), ABC (.abc) or, roughly, MIDI (.mid).
        </p>
        <div className="ml-auto flex flex-wrap gap-2">
          <Button onClick={() => setMaking('grid')}>Lay out a printed piece</Button>
          <Button onClick={() => setMaking('text')}>Type a piece</Button>
          <Button onClick={() => setMaking('exercise')}>Add an exercise</Button>
          <Button look="primary" onClick={() => input.current?.click()}>
            <FilePlus2 size={18} aria-hidden="true" /> Bring in a piece
          </Button>
        </div>
        <AskingDialog asking={asking} />
        <NewPieceDialog kind={making === 'exercise' ? null : making} onClose={() => setMaking(null)} />
        <ExerciseDialog open={making === 'exercise'} onClose={() => setMaking(null)} />
        <input
          ref={input}
          type="file"
          accept={ACCEPT}
          multiple
          className="sr-only"
          aria-label="Choose a music file"
          tabIndex={-1}
          onChange={(event) => {
            takeAll([...(event.target.files ?? [])]);
            event.target.value = '';
          }}
        />
      </div>
      <div role="status" aria-live="polite">
        {busy ? <p className="py-2">Reading {busy}…</p> : null}
      </div>
      {problems.map((problem) => (
        <div key={problem} className="mb-3">
          <Problem>{problem}</Problem>
        </div>
      ))}
      {pieces && pieces.length === 0 ? (
        <EmptyState title="No piece yet">
          <p>
            Bring in a MusicXML file: its bars, sections and everything after follow from it. A printed page without a
            file can be laid out as bars.
          </p>
          {studio.name === 'own' ? (
            <Button onClick={() => act(() => studio.openStudio('demo'))}>Look at the demo studio</Button>
          ) : null}
        </EmptyState>
      ) : (
        <Lists pieces={pieces ?? []} />
      )}
    </div>
  );
}
