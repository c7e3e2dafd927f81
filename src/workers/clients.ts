'use client';

import { wrap, type Remote } from 'comlink';
import { fail, type Result } from '@/core/result';
import type { EngraveCode, EngraveOptions, EngraverWorkerApi, PieceWorkerApi } from './protocol';

let piece: Remote<PieceWorkerApi> | null = null;

/** The worker that reads pieces; started on first use and kept. */
export function pieceWorker(): Remote<PieceWorkerApi> {
  piece ??= wrap<PieceWorkerApi>(new Worker(new URL('./piece.worker.ts', import.meta.url), { type: 'module' }));
  return piece;
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

/** Starts the engraver before it is needed: its first drawing is the slow one. */
export function warmEngraver(): void {
  engraver ??= startEngraver();
}
