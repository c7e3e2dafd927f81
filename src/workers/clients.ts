'use client';

import { proxy } from 'comlink';
import type { EngraveOptions } from '@/core/engraving';
import type { PageOptions } from '@/core/page';
import { fail, ok, type Result } from '@/core/result';
import type { Note, Score } from '@/core/score';
import type { Player } from '@/core/players';
import { turns, type Turn } from './turns';
import { connect, flat, type Connection, type WorkerCode } from './connection';
import type {
  AnalysisWorkerApi,
  Brought,
  Built,
  EditionFile,
  EngraveCode,
  EngraverWorkerApi,
  FilesWorkerApi,
  FileWorkStep,
  FileWorkTold,
  KeptPicture,
  LineToDraw,
  LoadedPiece,
  OpenedFile,
  PagesWorkerApi,
  PictureOfPage,
  ReadingWorkerApi,
} from './protocol';

/** The longest that each kind of work may take before its worker is begun anew. */
const LIMIT_MS = {
  reading: 60_000,
  analysis: 60_000,
  engraving: 30_000,
  files: 600_000,
  pages: 60_000,
  wholePiece: 180_000,
} as const;

// Of these there is one that stays, and one for each long work alone.
const startAnalysis = (): Worker => new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' });
const startFiles = (): Worker => new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' });
const startPages = (): Worker => new Worker(new URL('./pages.worker.ts', import.meta.url), { type: 'module' });

const reading = connect<ReadingWorkerApi>(
  'Reading the piece',
  () => new Worker(new URL('./reading.worker.ts', import.meta.url), { type: 'module' }),
  LIMIT_MS.reading,
);
const analysis = connect<AnalysisWorkerApi>('The analysis', startAnalysis, LIMIT_MS.analysis);
const engraver = connect<EngraverWorkerApi>(
  'Drawing these bars',
  () => new Worker(new URL('./engraver.worker.ts', import.meta.url), { type: 'module' }),
  LIMIT_MS.engraving,
);
const files = connect<FilesWorkerApi>('The studio file', startFiles, LIMIT_MS.files);

const pages = connect<PagesWorkerApi>('Cutting music from its page', startPages, LIMIT_MS.pages);

/** Cuts lines out of the kept pictures of pages. */
export const cutLines = async (wanted: readonly LineToDraw[]): Promise<Result<readonly string[]>> =>
  flat(await pages.ask((api) => api.lines(wanted)));

/** Opens what a teacher brings. */
export const openBrought = async (brought: Brought): Promise<Result<OpenedFile>> =>
  flat(await reading.ask((api) => api.open(brought)));

/** Opens something as the later edition of a piece. */
export const openAsEdition = async (before: LoadedPiece['piece'], brought: Brought): Promise<Result<EditionFile>> =>
  flat(await reading.ask((api) => api.edition(before, brought)));

/** Asks the worker that reads; it never waits behind an analysis. */
export const askReading = async <T>(question: (api: ReadingWorkerApi) => Promise<Result<T>>): Promise<Result<T>> =>
  flat(await reading.ask(question));

/** Asks the worker that thinks. */
export const askAnalysis = async <T>(question: (api: AnalysisWorkerApi) => Promise<Result<T>>): Promise<Result<T>> =>
  flat(await analysis.ask(question));

/** A long computation that can be stopped. */
export interface Running<T> {
  readonly result: Promise<T>;
  readonly cancel: () => void;
}

/** Asks a worker that is for this question alone; cancelling ends the worker, and the result is that it was stopped. */
function inOwnWorker<Api, T>(own: Connection<Api>, question: (api: Api) => Promise<Result<T>>): Running<Result<T>> {
  return {
    result: (async () => {
      const result = flat(await own.ask(question));
      own.end();
      return result;
    })(),
    cancel: own.end,
  };
}

/** Does something long with a studio in a worker of its own; cancelling ends it, and then nothing of it was done. */
export function workOnFiles<T>(
  question: (api: FilesWorkerApi, told: FileWorkTold) => Promise<Result<T>>,
  progress: (share: number, step: FileWorkStep) => void,
): Running<Result<T>> {
  return inOwnWorker(connect<FilesWorkerApi>('The work on the studio file', startFiles, LIMIT_MS.files), (api) =>
    question(api, proxy(progress)),
  );
}

/** Asks the worker of studio files. */
export const askFiles = async <T>(question: (api: FilesWorkerApi) => Promise<Result<T>>): Promise<Result<T>> =>
  flat(await files.ask(question));

/** Notes taken over at a time: a few milliseconds of the page's time. */
const NOTES_AT_A_TIME = 800;

/** Reads a piece in its worker and takes the score over in portions. */
export async function loadScore(loaded: LoadedPiece): Promise<Result<Score>> {
  const head = await askReading((api) => api.scoreHead(loaded));
  if (!head.ok) return head;
  const notes: Note[] = [];
  for (let from = 0; from < head.value.notes; from += NOTES_AT_A_TIME) {
    const part = await askReading((api) => api.scoreNotes(loaded, from, from + NOTES_AT_A_TIME));
    if (!part.ok) return part;
    notes.push(...part.value);
  }
  return ok({ ...head.value.head, notes });
}

const inTurn = turns();

/**
 * Engraves one document; documents wait for one another, and one that takes too long is given up with its worker. What
 * is not wanted any more when its turn comes is not drawn: `engrave-dropped`.
 */
export async function engrave(
  document: string,
  options: EngraveOptions,
  turn?: Turn,
): Promise<Result<readonly string[], EngraveCode | WorkerCode | 'engrave-dropped'>> {
  const drawn = await inTurn(async () => flat(await engraver.ask((api) => api.engrave(document, options))), turn);
  return drawn ?? fail('engrave-dropped', 'These bars are not looked at any more.');
}

const ONE_NOTE =
  '<score-partwise version="4.0"><part-list><score-part id="P1"><part-name/></score-part></part-list><part id="P1"><measure number="1"><attributes><divisions>1</divisions><clef><sign>G</sign><line>2</line></clef></attributes><note><pitch><step>C</step><octave>5</octave></pitch><duration>4</duration><type>whole</type></note></measure></part></score-partwise>';
let warmed = false;

/**
 * Has the engraver draw one note before it is needed, as its first drawing is the slow one, and then starts the worker
 * that reads.
 */
export function warmEngraver(): void {
  if (warmed) return;
  warmed = true;
  // A failure is said when music is really asked for.
  engrave(ONE_NOTE, { width: 400, scale: 60 }, { urgency: 'ahead' }).then(reading.begin, () => undefined);
}

/**
 * Finds how a piece is built in a worker of its own; cancelling ends the worker, and the result is then that it was
 * stopped.
 */
export function analyse(
  loaded: LoadedPiece,
  player: Player | null,
  progress: (share: number) => void,
): Running<Result<Built>> {
  return inOwnWorker(
    connect<AnalysisWorkerApi>('Finding how the piece is built', startAnalysis, LIMIT_MS.wholePiece),
    (api) => api.analyse(loaded, player, proxy(progress)),
  );
}

/** Finds what is on the picture of a page, in a worker of its own; cancelling ends the worker. */
export function readPicture(
  picture: PictureOfPage,
  options: PageOptions,
  progress: (share: number) => void,
): Running<Result<KeptPicture>> {
  return inOwnWorker(connect<PagesWorkerApi>(`Reading ${picture.name}`, startPages, LIMIT_MS.pages), (api) =>
    api.read(picture, options, proxy(progress)),
  );
}
