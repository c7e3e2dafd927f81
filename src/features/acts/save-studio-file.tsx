'use client';

import { useState, type ReactNode } from 'react';
import { noteBackup, useStudio, type StudioAccess } from '@/store';
import { ok, type Result } from '@/core/result';
import { Button, downloadFile } from '@/ui';
import { workOnFiles, type FileWorkStep, type Running } from '@/workers';
import { useActs } from './use-acts';
import { tell } from './tell';

/** Saves the studio file to the downloads; damaged rows go into it as they are, and that is said. */
export function saveStudioFile(
  studio: StudioAccess,
  progress: (share: number, step: FileWorkStep) => void = () => undefined,
): Running<Result<{ readonly damaged: number }>> {
  const now = studio.now();
  const { result, cancel } = workOnFiles((api, told) => api.save(studio.db.name, now, told), progress);
  return {
    cancel,
    result: result.then(async (saved) => {
      if (!saved.ok) return saved;
      downloadFile(saved.value.file, `studio-${studio.today()}.oakrungs.json.gz`, 'application/gzip');
      await noteBackup(studio.db, now);
      return ok({ damaged: saved.value.damaged });
    }),
  };
}

/** The way out that every screen has: the whole studio as a file. */
export function SaveStudioButton(): ReactNode {
  const studio = useStudio();
  const { act } = useActs();
  const [share, setShare] = useState<number | null>(null);
  return (
    <Button
      big
      disabled={share !== null}
      onClick={() =>
        act(async () => {
          setShare(0);
          const saved = await saveStudioFile(studio, setShare).result.finally(() => setShare(null));
          if (saved.ok) tell('The studio file was saved to your downloads.');
          return saved;
        })
      }
    >
      {share === null ? 'Save the studio file' : `Saving… ${Math.round(share * 100)} %`}
    </Button>
  );
}
