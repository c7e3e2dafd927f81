import { useState } from 'react';
import type { Result } from '@/core/result';
import { useStudio } from '@/store';
import { downloadFile } from '@/ui';
import { saveStudioFile, useActs } from '@/features/acts';
import { askFiles, type BroughtIn } from '@/workers';

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

/** Files written and brought in, one at a time: what is being done, what was done, and what went wrong. */
export function useFileWork() {
  const studio = useStudio();
  const { act } = useActs();
  const [problem, setProblem] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const [brought, setBrought] = useState<BroughtIn | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
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
  return {
    problem,
    done,
    brought,
    busy,
    save: (): void =>
      working('Writing the studio file…', async () => {
        const saved = await saveStudioFile(studio);
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
        const text = await file.text();
        const result = await askFiles((api) => api.bringIn(studio.db.name, text, file.name, studio.zone, studio.now()));
        if (!result.ok) return result;
        setBrought(result.value);
        setDone(broughtInWords(file.name, result.value));
        return result;
      }),
  };
}

export type FileWork = ReturnType<typeof useFileWork>;
