'use client';

import { useEffect } from 'react';
import { fail } from '@/core/result';
import { isFromHome } from '@/core/sheet';
import { showProblem, useActs } from '@/features/acts';
import { useWhere } from '@/features/where';
import { useTakeHome } from './use-take-home';

/** Larger is no file from home. */
const MOST_BYTES = 1_000_000;

/** What home sends, by its name; the rest is for whoever takes files on the stage. */
const maybeFromHome = (file: File): boolean => /\.(json|txt)$/i.test(file.name) && file.size <= MOST_BYTES;

const filesOf = (list: FileList | undefined): readonly File[] => [...(list ?? [])];

/** Listens everywhere for what comes back from home; files of other kinds are never opened in place of the studio. */
export function FromHome(): null {
  const take = useTakeHome();
  const { act } = useActs();
  const { stage } = useWhere();
  useEffect(() => {
    const takeFiles = (files: readonly File[]): void =>
      act(async () => {
        for (const file of files) {
          const text = await file.text();
          if (isFromHome(text)) take(text);
          else
            showProblem(
              fail('not-from-home', `${file.name} does not come from home. A studio file is brought in under Files.`)
                .issue,
            );
        }
      });
    const onOver = (event: DragEvent): void => event.preventDefault();
    const onDrop = (event: DragEvent): void => {
      const files = filesOf(event.dataTransfer?.files);
      const text = event.dataTransfer?.getData('text/plain') ?? '';
      if (files.length > 0 && files.every(maybeFromHome)) takeFiles(files);
      else if (files.length === 0 && isFromHome(text)) take(text);
      else if (files.length > 0 && stage !== 'shelf')
        showProblem(fail('not-here', 'Music is brought in on the shelf, a studio file under Files.').issue);
      else return;
      event.preventDefault();
      event.stopPropagation();
    };
    const onPaste = (event: ClipboardEvent): void => {
      // Its own field takes it by its own button.
      if (event.target instanceof Element && event.target.closest('[data-from-home]')) return;
      const files = filesOf(event.clipboardData?.files).filter(maybeFromHome);
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (files.length > 0) takeFiles(files);
      else if (isFromHome(text)) take(text);
      else return;
      // A code never stays in a field that it was pasted into by mistake.
      event.preventDefault();
      event.stopPropagation();
    };
    window.addEventListener('dragover', onOver);
    window.addEventListener('drop', onDrop, { capture: true });
    document.addEventListener('paste', onPaste, { capture: true });
    return () => {
      window.removeEventListener('dragover', onOver);
      window.removeEventListener('drop', onDrop, { capture: true });
      document.removeEventListener('paste', onPaste, { capture: true });
    };
  }, [take, act, stage]);
  return null;
}
