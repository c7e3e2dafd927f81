'use client';

import { proxy, wrap, type Remote } from 'comlink';
import { fail, ok, type Result } from '@/core/result';
import type { Note, Score } from '@/core/score';
import type { Analysis, AnalysisWorkerApi, EngraveCode, EngraveOptions, EngraverWorkerApi, PieceWorkerApi } from './protocol';

let piece: Remote<PieceWorkerApi> | null = null;

/** The worker that reads pieces; started on first use and kept. */
export function pieceWorker(): Remote<PieceWorkerApi> {
  piece ??= wrap<PieceWorkerApi>(new Worker(new URL('./piece.worker.ts', import.meta.url), { type: 'module' }));
  return piece;
}

/** Notes taken over at a time: a few milliseconds of the page's time. */
const NOTES_AT_A_TIME = 800;

/** Reads a piece in its worker and takes the score over in portions. */
export async function loadScore(key: string, text: string, fileName: string): Promise<Result<Score>> {
  const worker = pieceWorker();
  const loaded = await worker.load(key, text, fileName);
  if (!loaded.ok) return loaded;
  const head = await worker.scoreHead(key);
  if (!head) return fail('not-loaded', 'The piece could not be opened; reload the page.');
  const notes: Note[] = [];
  for (let from = 0; from < head.notes; from += NOTES_AT_A_TIME) notes.push(...(await worker.scoreNotes(key, from, from + NOTES_AT_A_TIME)));
  return ok({ ...head.head, notes });
}

/** Longest an excerpt may take to engrave before the engraver is restarted. */
const ENGRAVE_LIMIT_MS = 30_000;

let engraver: { worker: Worker; api: Remote<EngraverWorkerApi> } | null = null;
let queue: Promise<unknown> = Promise.resolve();

function startEngraver(): { worker: Worker; api: Remote<EngraverWorkerApi> } {
  const worker = new Worker(new URL('./engraver.worker.ts', import.meta.url), { type: 'module' });
  return { worker, api: wrap<EngraverWorkerApi>(worker) };
}

/** Engraves one document; documents wait for one another, and one that takes too long is given up with its worker. */
export function engrave(document: string, options: EngraveOptions): Promise<Result<readonly string[], EngraveCode>> {
  const run = async (): Promise<Result<readonly string[], EngraveCode>> => {
    engraver ??= startEngraver();
    const current = engraver;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const tooLong = new Promise<Result<readonly string[], EngraveCode>>((resolve) => {
      timer = setTimeout(() => {
        current.worker.terminate();
        engraver = null;
        resolve(fail('engrave-too-long', 'Drawing these bars took too long and was stopped. Choose fewer bars.'));
      }, ENGRAVE_LIMIT_MS);
    });
    const result = await Promise.race([current.api.engrave(document, options), tooLong]);
    clearTimeout(timer);
    return result;
  };
  const next = queue.then(run, run);
  queue = next;
  return next;
}

const ONE_NOTE =
  '<score-partwise version="4.0"><part-list><score-part id="P1"><part-name/></score-part></part-list><part id="P1"><measure number="1"><attributes><divisions>1</divisions><clef><sign>G</sign><line>2</line></clef></attributes><note><pitch><step>C</step><octave>5</octave></pitch><duration>4</duration><type>whole</type></note></measure></part></score-partwise>';

/** Has the engraver draw one note before it is needed: its first drawing is the slow one. */
export function warmEngraver(): void {
  if (engraver === null) void engrave(ONE_NOTE, { width: 400, scale: 60 });
}

/** A long computation that can be stopped. */
export interface Running<T> {
  readonly result: Promise<T>;
  readonly cancel: () => void;
}

/** Finds how a piece is built in a worker of its own; cancelling ends the worker, and the result then never comes. */
export function analyse(
  text: string,
  fileName: string,
  options: Parameters<AnalysisWorkerApi['analyse']>[2],
  progress: (share: number) => void,
): Running<Result<Analysis>> {
  const worker = new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' });
  const api = wrap<AnalysisWorkerApi>(worker);
  return {
    result: (async () => {
      const result = await api.analyse(text, fileName, options, proxy(progress));
      worker.terminate();
      return result;
    })(),
    cancel: () => worker.terminate(),
  };
}
