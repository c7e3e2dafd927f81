'use client';

import { useRef, useState, type ReactNode } from 'react';
import { toast } from 'sonner';
import type { Score } from '@/core/score';
import { moveToEdition, type NoteMark, type Piece } from '@/core/studio';
import { versionOf } from '@/features/score';
import { rowChange, useMarks, useSections, useStudio, type ChangeEntry } from '@/store';
import { Button, Panel, Problem } from '@/ui';
import { pieceWorker } from '@/workers';

function says(mark: NoteMark): string {
  switch (mark.kind) {
    case 'finger':
      return `finger ${mark.finger}`;
    case 'dynamic':
      return mark.level;
    case 'wedge':
      return mark.role;
    case 'cue':
      return `“${mark.text}”`;
    case 'breath':
      return 'breath';
    case 'bow':
      return `${mark.direction}-bow`;
    case 'phrase':
      return `phrase ${mark.sign}`;
    case 'micro':
      return `sign ${mark.sign}`;
    case 'ornament':
      return `ornament, ${mark.style}`;
    case 'hand':
      return `${mark.hand} hand`;
    case 'syllable':
      return `word “${mark.text}”`;
  }
}

/** A corrected edition takes the place of the file; marks follow the notes that did not change, the rest wait here to be placed. */
export function EditionPanel({ piece, score, chosenNote }: { readonly piece: Piece; readonly score: Score; readonly chosenNote: string | null }): ReactNode {
  const studio = useStudio();
  const marks = useMarks(piece.id) ?? [];
  const sections = useSections(piece.id) ?? [];
  const input = useRef<HTMLInputElement | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const here = new Set(score.notes.map((n) => n.id));
  const waiting = marks.flatMap((m) => ('noteId' in m && !here.has(m.noteId) ? [m] : []));
  const take = async (file: File): Promise<void> => {
    setProblem(null);
    const worker = pieceWorker();
    const opened = await worker.open(new Uint8Array(await file.arrayBuffer()), file.name);
    if (!opened.ok) {
      setProblem(`${opened.issue.message} The piece stays as it was.`);
      return;
    }
    const at = studio.now();
    const after: Piece = {
      ...piece,
      format: opened.value.format,
      fileName: file.name,
      source: opened.value.text,
      encoding: opened.value.encoding,
      bom: opened.value.bom,
      original: opened.value.original,
      updatedAt: at,
    };
    await worker.load(versionOf(piece), piece.source, piece.fileName);
    await worker.load(versionOf(after), after.source, after.fileName);
    const match = await worker.match(versionOf(piece), versionOf(after));
    if (!match) {
      setProblem('The two editions could not be compared. The piece stays as it was.');
      return;
    }
    const moved = moveToEdition(marks, sections, match, at);
    const entries: ChangeEntry[] = [
      rowChange('pieces', piece, after),
      ...moved.marks.map((m, i) => rowChange('marks', marks[i] ?? null, m)),
      ...moved.sections.map((s, i) => rowChange('sections', sections[i] ?? null, s)),
    ];
    await studio.commit('corrected edition', entries);
    const kept = marks.length - moved.lostMarks.length;
    toast(
      `${match.changedBars.length} ${match.changedBars.length === 1 ? 'bar differs' : 'bars differ'}. ${kept} of ${marks.length} marks kept their place${moved.lostSections.length > 0 ? `; ${moved.lostSections.length} sections lost a bar` : ''}.`,
    );
  };
  const place = async (mark: NoteMark): Promise<void> => {
    if (!chosenNote) return;
    await studio.commit('mark placed', [rowChange('marks', mark, { ...mark, noteId: chosenNote, updatedAt: studio.now() })]);
  };
  return (
    <Panel title="Corrected edition">
      <p className="mb-2 text-ink-2">A newer file of this piece can take its place: marks, sections and records stay on what did not change.</p>
      <Button onClick={() => input.current?.click()}>Bring in a corrected edition</Button>
      <input
        ref={input}
        type="file"
        accept=".musicxml,.xml,.mxl,.abc"
        className="sr-only"
        tabIndex={-1}
        aria-label="Choose the corrected edition"
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) void take(file);
          e.target.value = '';
        }}
      />
      {problem ? (
        <div className="mt-2">
          <Problem>{problem}</Problem>
        </div>
      ) : null}
      {waiting.length > 0 ? (
        <>
          <h3 className="mt-3">To place again</h3>
          <p className="text-ink-2">{chosenNote ? 'The chosen note takes the mark you press.' : 'Click a note first.'}</p>
          <ul className="grid gap-1">
            {waiting.slice(0, 30).map((m) => (
              <li key={m.id} className="flex items-center gap-1">
                <Button className="flex-1" disabled={!chosenNote} onClick={() => void place(m)}>
                  Place {says(m)}
                </Button>
                <Button look="quiet" aria-label={`Drop ${says(m)}`} onClick={() => void studio.commit('mark dropped', [rowChange('marks', m, null)])}>
                  Drop
                </Button>
              </li>
            ))}
          </ul>
        </>
      ) : null}
    </Panel>
  );
}
