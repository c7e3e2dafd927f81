'use client';

import { useEffect, useRef, useState, type ReactNode } from 'react';
import { setDocument } from '@/core/commands';
import type { Piece } from '@/core/studio';
import { Panel, Problem } from '@/ui';
import { useActs } from '@/features/acts';
import { useDraftText } from '@/features/drafts';
import { loadedPiece } from '@/features/score';
import { openAsEdition } from '@/workers';

/** How long typing must pause before the music is drawn anew. */
const PAUSE_MS = 350;

/**
 * A piece typed as ABC: the music above follows as it is typed. What is typed is kept at once, readable or not; the
 * last readable music stays until it reads again. Bars and notes that did not change keep their marks, wherever they
 * move.
 */
export function AbcEditor({ piece }: { readonly piece: Piece }): ReactNode {
  const { run, act } = useActs();
  const draft = useDraftText(`abc ${piece.id}`, piece.original ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const [notes, setNotes] = useState<readonly string[]>([]);
  const { text, open, settle } = draft;
  const latest = useRef({ piece, text, settle });
  useEffect(() => {
    latest.current = { piece, text, settle };
  });
  useEffect(() => {
    if (!open) return undefined;
    const read = async (): Promise<void> => {
      const before = latest.current.piece;
      const edition = await openAsEdition(loadedPiece(before).piece, { kind: 'abc', text, fileName: before.fileName });
      // More was typed meanwhile: its own reading follows.
      if (latest.current.text !== text) return;
      if (!edition.ok) {
        setProblem(edition.issue.message);
        return;
      }
      const { opened, kept } = edition.value;
      setProblem(null);
      setNotes(opened.notes.map((n) => n.message));
      const { title, composer } = opened;
      run(
        setDocument,
        {
          pieceId: before.id,
          document: { source: opened.text, original: text, title, composer },
          kept,
          label: 'typing',
        },
        { stored: () => latest.current.text === text && latest.current.settle() },
      );
    };
    const timer = setTimeout(() => act(read), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [text, open, run, act]);
  return (
    <Panel title="As text (ABC)">
      <textarea
        className="field figure w-full p-2 text-base leading-6"
        rows={Math.min(16, Math.max(7, text.split('\n').length + 1))}
        spellCheck={false}
        aria-label="The piece as ABC text"
        value={text}
        onChange={(e) => draft.type(e.target.value)}
      />
      {open && problem ? (
        <Problem>{problem} The last readable music stays above; what you typed is kept.</Problem>
      ) : null}
      {notes.length > 0 ? (
        <ul className="mt-2 text-ink-2">
          {notes.slice(0, 5).map((n, i) => (
            <li key={i}>{n}</li>
          ))}
        </ul>
      ) : null}
    </Panel>
  );
}
