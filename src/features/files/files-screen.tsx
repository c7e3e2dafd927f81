'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Download, Upload } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';
import { changeSettings } from '@/core/commands';
import type { Result } from '@/core/result';
import { dayOf, isZone, shortDay, teachingFor } from '@/core/studio';
import { countStudio, useNotices, useSettings, useStudio } from '@/store';
import { Button, downloadFile, Panel, PickOne, Problem } from '@/ui';
import { saveStudioFile, useActs } from '@/features/acts';
import { TeachingChoices } from '@/features/teaching';
import { useWhere } from '@/features/where';
import { askFiles, type BroughtIn } from '@/workers';
import { ConflictList } from './conflict-list';

/** What is done with the demo studio: opened, left, taken away, brought back. */
function DemoPanel(): ReactNode {
  const studio = useStudio();
  const where = useWhere();
  const { act } = useActs();
  const to = (open: () => Promise<void>) => () => {
    where.go('shelf', { pieceId: null, studentId: null });
    act(open);
  };
  return (
    <Panel title="Demo studio" className="lg:col-span-2">
      <p className="mb-3">
        Made-up pieces and students to try everything on. They live apart from your own studio and never mix with it.
      </p>
      <div className="flex flex-wrap gap-2">
        {studio.name === 'demo' ? (
          <>
            <Button onClick={to(() => studio.openStudio('own'))}>Open my own studio</Button>
            <Button onClick={to(studio.removeDemo)}>Remove the demo studio</Button>
          </>
        ) : studio.demoRemoved ? (
          <Button onClick={to(studio.bringBackDemo)}>Bring the demo studio back</Button>
        ) : (
          <Button onClick={to(() => studio.openStudio('demo'))}>Open the demo studio</Button>
        )}
      </div>
    </Panel>
  );
}

const zonesKnown = (): readonly string[] => Intl.supportedValuesOf('timeZone');

/** Where the studio is: its days begin and end there. */
function ZonePanel(): ReactNode {
  const { zone } = useStudio();
  const { run } = useActs();
  const zones = zonesKnown();
  return (
    <Panel title="Where the studio is" className="lg:col-span-2">
      <p className="mb-3 text-ink-2">
        A day begins and ends there, whatever the clock of this machine says. It came from this browser.
      </p>
      <PickOne
        label="Time zone"
        value={zone}
        choices={(zones.includes(zone) ? zones : [zone, ...zones]).map((z) => [z, z.replaceAll('_', ' ')] as const)}
        onPick={(next) => isZone(next) && run(changeSettings, { change: { zone: next }, label: 'time zone' })}
      />
    </Panel>
  );
}

/** The studio as one file: out, and in again. The demo studio is removed and brought back here. */
export function FilesScreen(): ReactNode {
  const studio = useStudio();
  const settings = useSettings();
  const { run, act } = useActs();
  const notices = useNotices() ?? [];
  const input = useRef<HTMLInputElement | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const [brought, setBrought] = useState<BroughtIn | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const counts = useLiveQuery(() => countStudio(studio.db), [studio.db]);

  const working = (what: string, work: () => Promise<Result<unknown>>): void =>
    act(async () => {
      setProblem(null);
      setDone(null);
      setBrought(null);
      setBusy(what);
      try {
        const result = await work();
        if (!result.ok) setProblem(result.issue.message);
      } finally {
        setBusy(null);
      }
    });
  const save = (): void =>
    working('Writing the studio file…', async () => {
      const saved = await saveStudioFile(studio);
      if (!saved.ok) return saved;
      const { damaged } = saved.value;
      setDone(
        `The studio file was saved to your downloads.${damaged > 0 ? ` ${damaged} ${damaged === 1 ? 'row does' : 'rows do'} not hold what ${damaged === 1 ? 'it' : 'they'} should; ${damaged === 1 ? 'it is' : 'they are'} in the file as ${damaged === 1 ? 'it is' : 'they are'}.` : ''}`,
      );
      return saved;
    });
  const saveCsv = (): void =>
    working('Writing the practice…', async () => {
      const csv = await askFiles((api) => api.practiceCsv(studio.db.name));
      if (!csv.ok) return csv;
      downloadFile(csv.value.file, 'practice.csv', 'text/csv');
      setDone(`${csv.value.rows} practice logs were saved to your downloads.`);
      return csv;
    });
  const bringIn = (file: File): void =>
    working(`Bringing in ${file.name}…`, async () => {
      const text = await file.text();
      const result = await askFiles((api) => api.bringIn(studio.db.name, text, file.name, studio.zone, studio.now()));
      if (!result.ok) return result;
      const { pieces, students, records, newRecords, damaged } = result.value;
      setBrought(result.value);
      setDone(
        `${file.name} was brought in: ${pieces} pieces, ${students} students, ${records} records, ${newRecords} of them new here.${damaged > 0 ? ` ${damaged} rows do not hold what they should; they are kept as they are.` : ''} Undo takes all of it back.`,
      );
      return result;
    });
  return (
    <div className="grid max-w-5xl gap-3 lg:grid-cols-2">
      <h1 className="lg:col-span-2">Files</h1>
      <Panel title="This studio as one file">
        <p className="mb-3">
          {counts ? `${counts.pieces} pieces, ${counts.students} students, ${counts.events} records. ` : ''}The file
          holds everything: pieces with their source, sections, marks, ladders, students and records. It is not locked:
          keep it where only you can read it.
        </p>
        <p className="mb-3 text-ink-2">
          Last saved:{' '}
          {settings?.lastBackupAt ? shortDay(dayOf(settings.lastBackupAt, studio.zone)) : 'never from this browser'}.
        </p>
        <Button look="primary" onClick={save} disabled={busy !== null}>
          <Download size={18} aria-hidden="true" /> Save the studio file
        </Button>
        <Button className="ml-2" onClick={saveCsv} disabled={busy !== null}>
          Practice as CSV
        </Button>
      </Panel>
      <Panel title="Bring in a studio file">
        <p className="mb-3">
          Pieces, students and records of the file join those here. Where both changed the same thing, field by field
          the newer word stands and the other is listed; records are never lost.
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
          accept=".json"
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
      <div className="lg:col-span-2" role="status" aria-live="polite">
        {busy ? <p className="px-4 py-3">{busy}</p> : null}
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
      {notices.map((notice) => (
        <Panel key={notice.seq} title={notice.title} className="lg:col-span-2">
          <ul>
            {notice.lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Panel>
      ))}
      <ZonePanel />
      <Panel title="How you teach" className="lg:col-span-2">
        <p className="mb-3 text-ink-2">
          Where teachers disagree. A student or a piece can have it otherwise, on the board and in Read.
        </p>
        <TeachingChoices
          own={settings?.teaching ?? {}}
          under={teachingFor()}
          underName="usual"
          onAnswer={(answer) => run(changeSettings, { change: { answer }, label: 'how it is taught' })}
        />
      </Panel>
      <DemoPanel />
    </div>
  );
}
