'use client';

import type { ReactNode } from 'react';
import { noteBackup, useStudio, type StudioAccess } from '@/store';
import { ok, type Result } from '@/core/result';
import { Button, downloadFile } from '@/ui';
import { askFiles } from '@/workers';
import { useActs } from './use-acts';
import { tell } from './tell';

/** Saves the studio file to the downloads; damaged rows go into it as they are, and that is said. */
export async function saveStudioFile(studio: StudioAccess): Promise<Result<{ readonly damaged: number }>> {
  const now = studio.now();
  const saved = await askFiles((api) => api.save(studio.db.name, now));
  if (!saved.ok) return saved;
  downloadFile(saved.value.file, `studio-${studio.today()}.oakrungs.json`, 'application/json');
  await noteBackup(studio.db, now);
  return ok({ damaged: saved.value.damaged });
}

/** The way out that every screen has: the whole studio as a file. */
export function SaveStudioButton(): ReactNode {
  const studio = useStudio();
  const { act } = useActs();
  return (
    <Button
      big
      onClick={() =>
        act(async () => {
          const saved = await saveStudioFile(studio);
          if (saved.ok) tell('The studio file was saved to your downloads.');
          return saved;
        })
      }
    >
      Save the studio file
    </Button>
  );
}
