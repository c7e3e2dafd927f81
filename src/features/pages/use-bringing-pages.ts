import { useEffect, useRef, useState } from 'react';
import { bringInPages } from '@/core/commands';
import { instrumentFromWords, instrumentName, instrumentOf } from '@/core/instruments';
import { paperOf } from '@/core/paper';
import type { Issue } from '@/core/result';
import type { Student } from '@/core/studio';
import { storageProblem, useStudents, useStudio } from '@/store';
import { useWhere } from '@/features/where';
import type { Running } from '@/workers';
import { MOST_PAGES, openSources, titleFromName, type OpenedSources, type PageSource } from './page-sources';
import { picturesOf, readPages, toPlace, type PageRead, type ReadingProgress } from './read-pages';

/** How far the bringing in of pages is. */
export type Bringing =
  | { readonly kind: 'opening' }
  | { readonly kind: 'choosing'; readonly sources: readonly PageSource[] }
  | { readonly kind: 'reading'; readonly at: ReadingProgress }
  | { readonly kind: 'asking'; readonly pages: readonly PageRead[] }
  | { readonly kind: 'failed'; readonly issue: Issue };

/** What is said of the pages. */
export interface SaidOfPages {
  readonly title: string;
  readonly instrument: string;
  /** First and last staff of the player, from 0; null for all. */
  readonly shown: readonly [number, number] | null;
}

/** Staves of a system on most of the pages that have any. */
export function stavesOn(pages: readonly PageRead[]): number {
  const counts = pages.flatMap((p) => p.kept.flat.systems.map((s) => s.staves.length)).sort((a, b) => a - b);
  return counts[counts.length >> 1] ?? 1;
}

/** What the pages are most likely played on: that of the student in hand, the piano where there are two staves. */
export function guessedInstrument(staves: number, students: readonly Student[], inHand: Student | null): string {
  const twoHands = (s: Student): boolean => instrumentOf(s.instrument).family === 'keyboard';
  if (inHand && twoHands(inHand) === staves >= 2) return instrumentName({ instrument: inHand.instrument });
  if (staves >= 2) return 'piano';
  const single = students.find((s) => !twoHands(s));
  return single
    ? instrumentName({ instrument: single.instrument })
    : inHand
      ? instrumentName({ instrument: inHand.instrument })
      : '';
}

/** Of three staves the last two are the piano's; of more all are shown until it is said. */
export const guessedStaves = (staves: number, instrument: string): SaidOfPages['shown'] =>
  staves !== 3
    ? null
    : instrumentOf(instrumentFromWords(instrument).instrument).family === 'keyboard'
      ? [1, 2]
      : [0, 0];

/** Opens files as pages, reads those that are meant, and puts them on the shelf as a piece. */
export function useBringingPages(files: readonly File[], onDone: (pieceId: string | null, says: string) => void) {
  const studio = useStudio();
  const where = useWhere();
  const students = useStudents() ?? [];
  const inHand = students.find((s) => s.id === where.studentId) ?? null;
  const [state, setState] = useState<Bringing>({ kind: 'opening' });
  const opened = useRef<OpenedSources | null>(null);
  const running = useRef<Running<unknown> | null>(null);
  const fail = (issue: Issue): void => setState({ kind: 'failed', issue });
  const read = async (sources: readonly PageSource[]): Promise<void> => {
    const reading = readPages(sources, {}, (at) => setState({ kind: 'reading', at }));
    running.current = reading;
    const pages = await reading.result;
    if (pages === null) return;
    if (pages.ok) setState({ kind: 'asking', pages: pages.value });
    else fail(pages.issue);
  };
  const begin = (sources: readonly PageSource[]): void => {
    read(sources).catch((error: unknown) => fail(storageProblem(error).issue));
  };
  useEffect(() => {
    let current = true;
    const open = async (): Promise<void> => {
      const result = await openSources(files);
      if (!current) {
        if (result.ok) result.value.close();
        return;
      }
      if (!result.ok) {
        fail(result.issue);
        return;
      }
      opened.current = result.value;
      if (result.value.several) setState({ kind: 'choosing', sources: result.value.pages });
      else begin(result.value.pages);
    };
    open().catch((error: unknown) => fail(storageProblem(error).issue));
    return () => {
      current = false;
      running.current?.cancel();
      opened.current?.close();
    };
    // The files are those of the dialog as long as it stands.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [files]);
  const store = async (pages: readonly PageRead[], said: SaidOfPages): Promise<void> => {
    const pieceId = crypto.randomUUID();
    const { instrument } = instrumentFromWords(said.instrument);
    const paper = paperOf(pages.map(toPlace(pieceId)), {
      title: said.title.trim() || 'Untitled',
      instrument: said.instrument.trim(),
      clef: instrumentOf(instrument).clefs[0] ?? 'treble',
      shown: said.shown,
    });
    const done = await studio.run(bringInPages, {
      pieceId,
      paper,
      pictures: picturesOf(pages),
      fileName: files[0]?.name ?? 'pages',
    });
    if (done.ok) onDone(pieceId, done.value.says ?? '');
    else fail(done.issue);
  };
  const guess = (pages: readonly PageRead[]): SaidOfPages => {
    const staves = stavesOn(pages);
    const instrument = guessedInstrument(staves, students, inHand);
    return { title: titleFromName(files[0]?.name ?? ''), instrument, shown: guessedStaves(staves, instrument) };
  };
  return { state, begin, store, guess, most: MOST_PAGES };
}
