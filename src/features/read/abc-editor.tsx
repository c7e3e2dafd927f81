'use client';

import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { Piece } from '@/core/studio';
import { rowChange, useStudio } from '@/store';
import { Panel, Problem } from '@/ui';
import { pieceWorker } from '@/workers';

/** How long typing must pause before the music is drawn anew. */
const PAUSE_MS = 350;

/** A piece typed as ABC: the text, and the music above it follows as it is typed. What cannot be read is said; the last good music stays. */
export function AbcEditor({ piece }: { readonly piece: Piece }): ReactNode {
  const studio = useStudio();
  const [text, setText] = useState(piece.original ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const [notes, setNotes] = useState<readonly string[]>([]);
  const latest = useRef(piece);
  useEffect(() => {
    latest.current = piece;
  }, [piece]);
  const kept = piece.original ?? '';
  // Undo and another device change the kept text under the editor.
  const [shown, setShown] = useState(kept);
  const [sent, setSent] = useState<string | null>(null);
  if (shown !== kept) {
    setShown(kept);
    if (kept !== sent) setText(kept);
  }
  useEffect(() => {
    if (text === (latest.current.original ?? '')) return undefined;
    const timer = setTimeout(() => {
      void pieceWorker()
        .openAbc(text, piece.fileName)
        .then(async (opened) => {
          if (!opened.ok) {
            setProblem(opened.issue.message);
            return;
          }
          setProblem(null);
          setNotes(opened.value.warnings.map((w) => w.message));
          const before = latest.current;
          const after: Piece = {
            ...before,
            title: opened.value.title || before.title,
            composer: opened.value.composer || before.composer,
            source: opened.value.text,
            original: text,
            updatedAt: studio.now(),
          };
          setSent(text);
          await studio.commit('typing', [rowChange('pieces', before, after)]);
        });
    }, PAUSE_MS);
    return () => clearTimeout(timer);
  }, [text, piece.fileName, studio]);
  return (
    <Panel title="As text (ABC)">
      <textarea
        className="field figure w-full p-2 text-base leading-6"
        rows={Math.min(16, Math.max(7, text.split('\n').length + 1))}
        spellCheck={false}
        aria-label="The piece as ABC text"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      {problem ? <Problem>{problem} The last readable music stays above.</Problem> : null}
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
