import { useState } from 'react';
import { WRITTEN_WORDS } from '@/core/words';
import type { SheetChoices } from '@/sheet';
import { sheetRows, useSettings, useStudio } from '@/store';
import { downloadFile } from '@/ui';
import { showProblem, tell, useActs } from '@/features/acts';
import { useSoundChoices } from '@/features/sound';

/** Saves the file for home of one student; one at a time. */
export function useSaveForHome(studentId: string, choices: SheetChoices, withPiano: boolean) {
  const studio = useStudio();
  const settings = useSettings();
  const { a4 } = useSoundChoices();
  const { act } = useActs();
  const [busy, setBusy] = useState(false);
  const words = {
    bar: settings?.barWord ?? WRITTEN_WORDS.bar,
    notes: settings?.noteNames ?? WRITTEN_WORDS.notes,
  };
  const save = (): void => {
    if (busy) return;
    act(async () => {
      setBusy(true);
      try {
        const rows = await sheetRows(studio.db, studentId, studio.zone);
        if (!rows) return;
        const { homeFileFor } = await import('./home-file-for');
        const made = await homeFileFor(studio, { rows, choices, words, a4, withPiano });
        if (!made.ok) {
          showProblem(made.issue);
          return;
        }
        downloadFile(made.value.text, made.value.name, 'text/html');
        tell(`${made.value.name} is in your downloads.`);
      } finally {
        setBusy(false);
      }
    });
  };
  return { save, busy };
}
