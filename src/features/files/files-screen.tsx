'use client';

import { Download, Upload } from 'lucide-react';
import { useRef, type ReactNode } from 'react';
import { dayOf } from '@/core/studio';
import { useLive, countStudio, useNotices, useSettings, useStudio } from '@/store';
import { Button, dayWords, Panel, Problem } from '@/ui';
import { ConflictList } from './conflict-list';
import { DemoPanel } from './demo-panel';
import { useFileWork, type Busy, type FileWork } from './use-file-work';

interface Props {
  readonly work: FileWork;
}

function SavePanel({ work: { busy, save, saveCsv } }: Props): ReactNode {
  const studio = useStudio();
  const settings = useSettings();
  const counts = useLive(() => countStudio(studio.db), [studio.db]);
  return (
    <Panel title="This studio as one file">
      <p className="mb-3">
        {counts ? `${counts.pieces} pieces, ${counts.students} students, ${counts.events} records. ` : ''}The file holds
        everything: pieces with their source, sections, marks, ladders, students and records. It is not locked: keep it
        where only you can read it.
      </p>
      <p className="mb-3 text-ink-2">
        Last saved:{' '}
        {settings?.lastBackupAt ? dayWords(dayOf(settings.lastBackupAt, studio.zone)) : 'never from this browser'}.
      </p>
      <div className="flex flex-wrap gap-2">
        <Button look="primary" onClick={save} disabled={busy !== null}>
          <Download size={18} aria-hidden="true" /> Save the studio file
        </Button>
        <Button onClick={saveCsv} disabled={busy !== null}>
          Practice as CSV
        </Button>
      </div>
    </Panel>
  );
}

function BringInPanel({ work: { busy, bringIn } }: Props): ReactNode {
  const studio = useStudio();
  const input = useRef<HTMLInputElement | null>(null);
  return (
    <Panel title="Bring in a studio file">
      <p className="mb-3">
        Pieces, students and records of the file join those here. Where both changed the same thing, field by field the
        newer word stands and the other is listed; records are never lost.
      </p>
      <Button onClick={() => input.current?.click()} disabled={studio.name === 'demo' || busy !== null}>
        <Upload size={18} aria-hidden="true" /> Choose a studio file
      </Button>
      {studio.name === 'demo' ? (
        <p className="mt-2 text-ink-2">Open your own studio first: nothing of yours is put into the demo.</p>
      ) : null}
      <input
        ref={input}
        type="file"
        accept=".json,.gz"
        className="sr-only"
        aria-label="Choose a studio file"
        tabIndex={-1}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) bringIn(file);
          e.target.value = '';
        }}
      />
    </Panel>
  );
}

/** What is being done, how far it is, and how it is broken off. */
function WorkGoingOn({ busy: { what, share, stop } }: { readonly busy: Busy }): ReactNode {
  return (
    <div className="flex flex-wrap items-center gap-3 px-4 py-3">
      <p className="min-w-64">{what}</p>
      {share === null ? null : (
        <progress className="min-w-40 flex-1 accent-leaf" max={1} value={share} aria-label="How far it is" />
      )}
      {stop ? (
        <Button onClick={stop} look="quiet">
          Stop
        </Button>
      ) : null}
    </div>
  );
}

/** What is being done with files, what was done, what went wrong, and what was brought up to date. */
function FileNews({ work: { busy, done, problem, brought } }: Props): ReactNode {
  return (
    <>
      <div className="lg:col-span-2" role="status" aria-live="polite">
        {busy ? <WorkGoingOn busy={busy} /> : null}
        {done ? <p className="rounded border border-leaf bg-leaf-wash px-4 py-3">{done}</p> : null}
      </div>
      {problem ? (
        <div className="lg:col-span-2">
          <Problem>{problem}</Problem>
        </div>
      ) : null}
      {brought && brought.listed.length > 0 ? (
        <Panel title="Brought up to date" className="lg:col-span-2">
          <ul>
            {brought.listed.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Panel>
      ) : null}
      <ConflictList conflicts={brought?.conflicts ?? []} />
    </>
  );
}

/** The studio as one file: out, and in again. The demo studio is removed and brought back here. */
export function FilesScreen(): ReactNode {
  const notices = useNotices() ?? [];
  const work = useFileWork();
  return (
    <div className="grid max-w-5xl gap-3 lg:grid-cols-2">
      <h1 className="lg:col-span-2">Files</h1>
      <SavePanel work={work} />
      <BringInPanel work={work} />
      <FileNews work={work} />
      {notices.map((notice) => (
        <Panel key={notice.seq} title={notice.title} className="lg:col-span-2">
          <ul>
            {notice.lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Panel>
      ))}
      <DemoPanel />
    </div>
  );
}
