'use client';

import { useRef, type ReactNode } from 'react';
import { dropMark, placeMark, setDocument } from '@/core/commands';
import type { Result } from '@/core/result';
import type { Score } from '@/core/score';
import { markInWords, notesOfMark, type Mark, type Piece } from '@/core/studio';
import { useActs } from '@/features/acts';
import { loadedPiece } from '@/features/score';
import { useLayouts, useMarks, useSections } from '@/store';
import { Button, Panel } from '@/ui';
import { openAsEdition, type EditionFile } from '@/workers';

/** Marks listed at a time. */
const MOST_LISTED = 30;

const count = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** What became of the bars, in a sentence. */
function changesInWords({ changedBars, newBars, lostBars }: EditionFile): string {
  const parts = [
    changedBars > 0 ? `${count(changedBars, 'bar differs', 'bars differ')}` : '',
    newBars > 0 ? `${count(newBars, 'bar is new', 'bars are new')}` : '',
    lostBars.length > 0
      ? `${lostBars.length === 1 ? 'bar' : 'bars'} ${lostBars.slice(0, 8).join(', ')} ${lostBars.length === 1 ? 'is' : 'are'} gone`
      : '',
  ].filter((p) => p !== '');
  return parts.length === 0 ? 'No bar differs.' : `${parts.join('; ')}.`;
}

/** A file put in the place of the piece's own. */
function useEditionTaken(piece: Piece, onPages: boolean): (file: File) => Promise<Result<unknown>> {
  const { run } = useActs();
  return async (file) => {
    const edition = await openAsEdition(loadedPiece(piece).piece, {
      kind: 'file',
      bytes: new Uint8Array(await file.arrayBuffer()),
      fileName: file.name,
    });
    if (!edition.ok)
      return { ok: false, issue: { ...edition.issue, message: `${edition.issue.message} The piece stays as it was.` } };
    const { opened, kept } = edition.value;
    run(setDocument, {
      pieceId: piece.id,
      document: {
        source: opened.text,
        // Where its bars lie on pages stays known.
        original: onPages ? piece.original : opened.original,
        format: opened.format,
        fileName: file.name,
        encoding: opened.encoding,
        bom: opened.bom,
        composer: opened.composer || piece.composer,
      },
      kept,
      label: 'corrected edition',
      says: `${changesInWords(edition.value)} Marks and sections stay on what did not change.`,
    });
    return edition;
  };
}

/** Marks whose notes are not in this edition, to be placed on other ones or dropped. */
function ToPlaceAgain({
  waiting,
  chosenNote,
}: {
  readonly waiting: readonly Mark[];
  readonly chosenNote: string | null;
}): ReactNode {
  const { run } = useActs();
  return (
    <>
      <h3 className="mt-3">To place again</h3>
      <p className="text-ink-2">{chosenNote ? 'The chosen note takes the mark you press.' : 'Click a note first.'}</p>
      <ul className="grid gap-1">
        {waiting.slice(0, MOST_LISTED).map((m) => (
          <li key={m.id} className="flex items-center gap-1">
            <Button
              className="flex-1"
              disabled={!chosenNote}
              onClick={() => chosenNote && run(placeMark, { markId: m.id, noteId: chosenNote })}
            >
              Place {markInWords(m)}
            </Button>
            <Button look="quiet" aria-label={`Drop ${markInWords(m)}`} onClick={() => run(dropMark, { markId: m.id })}>
              Drop
            </Button>
          </li>
        ))}
      </ul>
      {waiting.length > MOST_LISTED ? <p className="text-ink-2">and {waiting.length - MOST_LISTED} more</p> : null}
    </>
  );
}

/**
 * A corrected edition takes the place of the file; marks stay on the notes that did not change, the rest wait here to
 * be placed.
 */
export function EditionPanel({
  piece,
  score,
  chosenNote,
}: {
  readonly piece: Piece;
  readonly score: Score;
  readonly chosenNote: string | null;
}): ReactNode {
  const { act } = useActs();
  const marks = useMarks(piece.id) ?? [];
  const sections = useSections(piece.id) ?? [];
  const input = useRef<HTMLInputElement | null>(null);
  const notes = new Set(score.notes.map((n) => n.id));
  const bars = new Set(score.bars.map((b) => b.id));
  const waiting = marks.filter((m) => notesOfMark(m).some((id) => !notes.has(id)));
  const lost = sections.filter((s) => !bars.has(s.fromBar) || !bars.has(s.toBar));
  const onPages = (useLayouts(piece.id) ?? []).length > 0;
  const take = useEditionTaken(piece, onPages);
  return (
    <Panel title={onPages ? 'A score file of it' : 'Corrected edition'}>
      <p className="mb-2 text-ink-2">
        {onPages
          ? 'A score file can be laid over the pages, bar by bar: then fingers, counts and what comes again are worked out. Everything stays where it is.'
          : 'A newer file of this piece can take its place: marks, sections and records stay on what did not change.'}
      </p>
      <Button onClick={() => input.current?.click()}>
        {onPages ? 'Lay a score file over the pages' : 'Bring in a corrected edition'}
      </Button>
      <input
        ref={input}
        type="file"
        accept=".musicxml,.xml,.mxl,.abc"
        className="sr-only"
        tabIndex={-1}
        aria-label="Choose the corrected edition"
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) act(() => take(file));
          e.target.value = '';
        }}
      />
      {lost.length > 0 ? (
        <>
          <h3 className="mt-3">Sections without their bars</h3>
          <ul>
            {lost.map((s) => (
              <li key={s.id}>
                {s.letter} {s.name}: its first or last bar is not in this edition. Its ladder and records are kept; undo
                brings the edition before back.
              </li>
            ))}
          </ul>
        </>
      ) : null}
      {waiting.length > 0 ? <ToPlaceAgain waiting={waiting} chosenNote={chosenNote} /> : null}
    </Panel>
  );
}
