import { useState } from 'react';
import { fail, type Result } from '@/core/result';
import { useStudio } from '@/store';
import { downloadFile } from '@/ui';
import { saveStudioFile, useActs } from '@/features/acts';
import { askFiles, workOnFiles, type BroughtIn, type FileWorkStep, type Running } from '@/workers';

/** What is said of rows that were damaged before. */
function damagedInWords(damaged: number): string {
  if (damaged === 0) return '';
  return damaged === 1
    ? ' 1 row does not hold what it should; it is in the file as it is.'
    : ` ${damaged} rows do not hold what they should; they are in the file as they are.`;
}

function broughtInWords(fileName: string, { pieces, students, records, newRecords, damaged }: BroughtIn): string {
  const kept = damaged > 0 ? ` ${damaged} rows do not hold what they should; they are kept as they are.` : '';
  return `${fileName} was brought in: ${pieces} pieces, ${students} students, ${records} records, ${newRecords} of them new here.${kept} Undo takes all of it back.`;
}

const STEP_WORDS: Readonly<Record<FileWorkStep, string>> = {
  reading: 'Reading the file',
  storing: 'Storing',
  counting: 'Working out where everyone stands',
  writing: 'Writing the studio file',
  binding: 'Putting records together',
};

/** What is being done with a file, how far it is, and how it is broken off. */
export interface Busy {
  readonly what: string;
  /** 0 to 1; null where it is over in a moment. */
  readonly share: number | null;
  readonly stop: (() => void) | null;
}

/** Files written and brought in, one at a time: what is being done, what was done, and what went wrong. */
export function useFileWork() {
  const studio = useStudio();
  const { act } = useActs();
  const [problem, setProblem] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const [brought, setBrought] = useState<BroughtIn | null>(null);
  const [busy, setBusy] = useState<Busy | null>(null);
  const working = (what: string, work: () => Promise<Result<unknown>>): void =>
    act(async () => {
      setProblem(null);
      setDone(null);
      setBrought(null);
      setBusy({ what, share: null, stop: null });
      try {
        const result = await work();
        if (!result.ok) setProblem(result.issue.message);
      } finally {
        setBusy(null);
      }
    });
  /** Work that can be broken off: `stopped` is said then, for nothing of it was done. */
  const longWork = async <T>(
    begin: (progress: (share: number, step: FileWorkStep) => void) => Running<Result<T>>,
    stopped: string,
  ): Promise<Result<T>> => {
    let wasStopped = false;
    const running = begin((share, step) =>
      setBusy((before) => (before && !wasStopped ? { ...before, what: `${STEP_WORDS[step]}…`, share } : before)),
    );
    const stop = (): void => {
      wasStopped = true;
      running.cancel();
    };
    setBusy((before) => before && { ...before, share: 0, stop });
    const result = await running.result;
    return !result.ok && wasStopped ? fail('stopped', stopped) : result;
  };
  return {
    problem,
    done,
    brought,
    busy,
    save: (): void =>
      working('Writing the studio file…', async () => {
        const saved = await longWork((progress) => saveStudioFile(studio, progress), 'Stopped. No file was written.');
        if (saved.ok) setDone(`The studio file was saved to your downloads.${damagedInWords(saved.value.damaged)}`);
        return saved;
      }),
    saveCsv: (): void =>
      working('Writing the practice…', async () => {
        const csv = await askFiles((api) => api.practiceCsv(studio.db.name));
        if (!csv.ok) return csv;
        downloadFile(csv.value.file, 'practice.csv', 'text/csv');
        setDone(`${csv.value.rows} practice logs were saved to your downloads.`);
        return csv;
      }),
    bringIn: (file: File): void =>
      working(`Bringing in ${file.name}…`, async () => {
        const now = studio.now();
        const result = await longWork(
          (progress) =>
            workOnFiles((api, told) => api.bringIn(studio.db.name, file, file.name, studio.zone, now, told), progress),
          `${file.name} was not brought in: it was stopped. Nothing was changed.`,
        );
        if (!result.ok) return result;
        setBrought(result.value);
        setDone(broughtInWords(file.name, result.value));
        return result;
      }),
  };
}

export type FileWork = ReturnType<typeof useFileWork>;
