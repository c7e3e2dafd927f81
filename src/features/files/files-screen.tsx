'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Download, Upload } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';
import { readStudioFile, teachingFor, writeStudioFile, type Teaching } from '@/core/studio';
import { countStudio, freshSettings, putStudio, readStudio, rowChange, useSettings, useStudio, type Merged } from '@/store';
import { Button, downloadFile, Panel, Problem } from '@/ui';
import { TeachingChoices } from '@/features/teaching';
import { useWhere } from '@/features/where';
import { savePracticeCsv } from './practice-csv';

const shortly = (value: unknown): string => (JSON.stringify(value) ?? 'nothing').slice(0, 80);

/** The studio as one file: out, and in again. The demo studio is removed and brought back here. */
export function FilesScreen(): ReactNode {
  const studio = useStudio();
  const where = useWhere();
  const settings = useSettings();
  const input = useRef<HTMLInputElement | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const [conflicts, setConflicts] = useState<Merged['conflicts']>([]);
  const counts = useLiveQuery(() => countStudio(studio.db), [studio.db]);

  const exportStudio = async (): Promise<void> => {
    const text = writeStudioFile(await readStudio(studio.db), studio.now());
    downloadFile(text, `studio-${studio.now().slice(0, 10)}.oakrungs.json`, 'application/json');
    const at = studio.now();
    await studio.db.settings.put({ ...(settings ?? freshSettings(at)), lastBackupAt: at });
    setDone('The studio file was saved to your downloads.');
  };
  const importStudio = async (file: File): Promise<void> => {
    setProblem(null);
    setDone(null);
    const read = readStudioFile(await file.text(), file.name);
    if (!read.ok) {
      setProblem(read.issue.message);
      return;
    }
    const merged = await putStudio(studio.db, read.value.studio);
    setConflicts(merged.conflicts);
    const { pieces, students, events } = read.value.studio;
    setDone(`${file.name} was brought in: ${pieces.length} pieces, ${students.length} students, ${events.length} records.`);
  };
  const setTeaching = (teaching: Partial<Teaching>): void =>
    void studio.commit('how it is taught', [
      rowChange('settings', settings ?? null, { ...(settings ?? freshSettings(studio.now())), teaching, updatedAt: studio.now() }),
    ]);
  return (
    <div className="grid max-w-5xl gap-3 lg:grid-cols-2">
      <h1 className="lg:col-span-2">Files</h1>
      <Panel title="This studio as one file">
        <p className="mb-3">
          {counts ? `${counts.pieces} pieces, ${counts.students} students, ${counts.events} records.` : ''} The file holds everything: pieces with their source,
          sections, marks, ladders, students and records. It is not locked: keep it where only you can read it.
        </p>
        <p className="mb-3 text-ink-2">Last saved: {settings?.lastBackupAt ? settings.lastBackupAt.slice(0, 10) : 'never from this browser'}.</p>
        <Button look="primary" onClick={() => void exportStudio()}>
          <Download size={18} aria-hidden="true" /> Save the studio file
        </Button>
        <Button className="ml-2" onClick={() => void savePracticeCsv(studio.db)}>
          Practice as CSV
        </Button>
      </Panel>
      <Panel title="Bring in a studio file">
        <p className="mb-3">
          Pieces, students and records of the file join those here. Where both changed the same thing, field by field the newer word stands and the other is
          listed; records are never lost.
        </p>
        <Button onClick={() => input.current?.click()} disabled={studio.name === 'demo'}>
          <Upload size={18} aria-hidden="true" /> Choose a studio file
        </Button>
        {studio.name === 'demo' ? <p className="mt-2 text-ink-2">Open your own studio first: nothing of yours is put into the demo.</p> : null}
        <input
          ref={input}
          type="file"
          accept=".json"
          className="sr-only"
          aria-label="Choose a studio file"
          tabIndex={-1}
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) void importStudio(file);
            e.target.value = '';
          }}
        />
      </Panel>
      <div className="lg:col-span-2" role="status" aria-live="polite">
        {done ? <p className="rounded border border-leaf bg-leaf-wash px-4 py-3">{done}</p> : null}
      </div>
      {conflicts.length > 0 ? (
        <Panel title="Changed in both places" className="lg:col-span-2">
          <ul>
            {conflicts.slice(0, 50).map((c) => (
              <li key={`${c.table} ${c.id} ${c.field}`} className="border-t border-rule py-1 first:border-0">
                {c.table}, {c.field}: kept <span className="font-semibold">{shortly(c.kept)}</span>, not kept {shortly(c.lost)}
              </li>
            ))}
          </ul>
        </Panel>
      ) : null}
      {problem ? (
        <div className="lg:col-span-2">
          <Problem>{problem}</Problem>
        </div>
      ) : null}
      <Panel title="How you teach" className="lg:col-span-2">
        <p className="mb-3 text-ink-2">Where teachers disagree. A student or a piece can have it otherwise, on the board and in Read.</p>
        <TeachingChoices own={settings?.teaching ?? {}} under={teachingFor()} underName="usual" onChange={setTeaching} />
      </Panel>
      <Panel title="Demo studio" className="lg:col-span-2">
        <p className="mb-3">Made-up pieces and students to try everything on. They live apart from your own studio and never mix with it.</p>
        <div className="flex flex-wrap gap-2">
          {studio.name === 'demo' ? (
            <>
              <Button
                onClick={() => {
                  studio.openStudio('own');
                  where.go('shelf', { pieceId: null, studentId: null });
                }}
              >
                Open my own studio
              </Button>
              <Button
                onClick={() => {
                  where.go('shelf', { pieceId: null, studentId: null });
                  void studio.removeDemo();
                }}
              >
                Remove the demo studio
              </Button>
            </>
          ) : studio.demoRemoved ? (
            <Button
              onClick={() => {
                where.go('shelf', { pieceId: null, studentId: null });
                void studio.bringBackDemo();
              }}
            >
              Bring the demo studio back
            </Button>
          ) : (
            <Button
              onClick={() => {
                where.go('shelf', { pieceId: null, studentId: null });
                studio.openStudio('demo');
              }}
            >
              Open the demo studio
            </Button>
          )}
        </div>
      </Panel>
    </div>
  );
}
