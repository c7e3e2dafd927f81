import { expose } from 'comlink';
import { readScore, writeExcerpt, writeMarks, type ReadScore } from '@/core/musicxml';
import { ok } from '@/core/result';
import { openPiece } from '@/core/studio';
import type { PieceWorkerApi } from './protocol';

/** Pieces kept in memory; the one loaded longest ago goes first. */
const MOST_LOADED = 12;
const loaded = new Map<string, { text: string; read: ReadScore }>();

const api: PieceWorkerApi = {
  async open(bytes, fileName) {
    const opened = await openPiece(bytes, fileName);
    if (!opened.ok) return opened;
    const { read, ...rest } = opened.value;
    return ok({ ...rest, score: read.score });
  },
  load(key, text, fileName) {
    const known = loaded.get(key);
    if (known) return Promise.resolve(ok(known.read.score));
    const read = readScore(text, fileName);
    if (!read.ok) return Promise.resolve(read);
    loaded.set(key, { text, read: read.value });
    const [oldest] = loaded.keys();
    if (loaded.size > MOST_LOADED && oldest !== undefined) loaded.delete(oldest);
    return Promise.resolve(ok(read.value.score));
  },
  excerpt(key, request) {
    const piece = loaded.get(key);
    return Promise.resolve(piece ? writeExcerpt(piece.text, piece.read, request) : null);
  },
  write(key, marks) {
    const piece = loaded.get(key);
    return Promise.resolve(piece ? writeMarks(piece.text, piece.read, marks) : null);
  },
};

expose(api);
