'use client';

import { useState } from 'react';
import type { Piece } from '@/core/studio';
import { useStudio } from '@/store';
import type { OpenedFile } from '@/workers';
import { tell, useActs } from '@/features/acts';
import { keepFirstLook } from '@/features/score';
import { isPageFile } from '@/features/pages';
import { useWhere } from '@/features/where';
import { bringIn, firstLook, type AboutFile, type AboutTwin, type Asks } from './bring-in';

/** A file of which something is asked before it comes in: whose part it is, or what of a piece that is there. */
export type Asking =
  | {
      readonly kind: 'whose';
      readonly opened: OpenedFile;
      readonly fileName: string;
      readonly answer: (about: AboutFile | null) => void;
    }
  | {
      readonly kind: 'twice';
      readonly piece: Piece;
      readonly same: 'document' | 'name';
      readonly fileName: string;
      readonly answer: (about: AboutTwin) => void;
    };

/** What became of one of several files. */
export interface Taken {
  readonly fileName: string;
  readonly says: string;
  readonly pieceId: string | null;
  readonly failed: boolean;
}

/** The first line of a file, shown as soon as it is drawn until the file is read; what cannot be drawn is not shown. */
function lookAhead(file: File, show: (svg: string | null) => void) {
  let isRead = false;
  const drawn = firstLook(file).catch(() => null);
  const told = drawn.then((svg) => {
    if (!isRead) show(svg);
  });
  return {
    end: (): void => {
      isRead = true;
    },
    /** Has it stand for the piece until that is drawn. */
    keepFor: (pieceId: string | null): void => {
      told
        .then(() => drawn)
        .then(
          (svg) => pieceId !== null && svg !== null && keepFirstLook(pieceId, svg),
          () => undefined,
        );
    },
  };
}

/** Files taken one after the other; what became of each is said, and none that cannot be read stops the others. */
export function useTaking() {
  const studio = useStudio();
  const where = useWhere();
  const { act } = useActs();
  const [taken, setTaken] = useState<readonly Taken[]>([]);
  const [busy, setBusy] = useState<string | null>(null);
  const [shownLook, setLook] = useState<string | null>(null);
  const [asking, setAsking] = useState<Asking | null>(null);
  const [pages, setPages] = useState<readonly File[] | null>(null);
  const asks: Asks = {
    whose: (opened, fileName) =>
      new Promise((resolve) => {
        setBusy(null);
        const answer = (about: AboutFile | null): void => {
          setAsking(null);
          resolve(about);
        };
        setAsking({ kind: 'whose', opened, fileName, answer });
      }),
    twice: (piece, same, fileName) =>
      new Promise((resolve) => {
        setBusy(null);
        const answer = (about: AboutTwin): void => {
          setAsking(null);
          resolve(about);
        };
        setAsking({ kind: 'twice', piece, same, fileName, answer });
      }),
  };
  const take = async (files: readonly File[]): Promise<void> => {
    const became: Taken[] = [];
    setTaken([]);
    for (const [i, file] of files.entries()) {
      setBusy(files.length === 1 ? `Reading ${file.name}…` : `Reading ${i + 1} of ${files.length}, ${file.name}…`);
      const look = files.length === 1 ? lookAhead(file, setLook) : null;
      const brought = await bringIn(studio, file, asks);
      look?.end();
      switch (brought.kind) {
        case 'failed':
          became.push({ fileName: file.name, says: brought.issue.message, pieceId: null, failed: true });
          break;
        case 'left':
          became.push({ fileName: file.name, says: 'left out', pieceId: null, failed: false });
          break;
        case 'there':
          became.push({ fileName: file.name, says: `there already`, pieceId: brought.pieceId, failed: false });
          if (files.length === 1) where.go('read', { pieceId: brought.pieceId });
          break;
        case 'brought':
          became.push({ fileName: file.name, says: brought.says, pieceId: brought.pieceId, failed: false });
          if (files.length === 1) {
            // Of a piece of several parts it is that of the usual one, who need not be whose it is.
            if (!brought.asked) look?.keepFor(brought.pieceId);
            tell(brought.says);
            where.go('prepare', { pieceId: brought.pieceId });
          }
          break;
      }
      // Of one file only what went wrong stays on screen; the list of several is what is read next.
      setTaken(files.length > 1 ? [...became] : became.filter((t) => t.failed));
    }
  };
  /** Pictures and PDFs are the pages of one piece; every other file is a piece. */
  const takeAll = (files: readonly File[]): void =>
    act(async () => {
      const printed = files.filter(isPageFile);
      try {
        await take(files.filter((f) => !isPageFile(f)));
        if (printed.length > 0) setPages(printed);
      } finally {
        setBusy(null);
        setLook(null);
      }
    });
  const pagesDone = (pieceId: string | null, says: string): void => {
    setPages(null);
    if (pieceId === null) return;
    tell(says);
    where.go('read', { pieceId, bars: null });
  };
  return { takeAll, busy, look: shownLook, taken, asking, pages, pagesDone };
}
