import { expose } from 'comlink';
import { scoreToMidi } from '@/core/midi';
import { readScore, REMEMBERED_FIELD, writeExcerpt, writeMarks, type ReadScore } from '@/core/musicxml';
import { ok, type Result } from '@/core/result';
import { matchEditions } from '@/core/score';
import { openAbc, openGrid, openPiece, type OpenedPiece } from '@/core/studio';
import type { OpenedFile, PieceWorkerApi } from './protocol';

/** Pieces kept in memory; the one loaded longest ago goes first. */
const MOST_LOADED = 12;
const loaded = new Map<string, { text: string; read: ReadScore }>();

function toFile(opened: Result<OpenedPiece>): Result<OpenedFile> {
  if (!opened.ok) return opened;
  const { read, ...rest } = opened.value;
  return ok({ ...rest, score: read.score, remembered: read.miscellaneous[REMEMBERED_FIELD] ?? null });
}

const api: PieceWorkerApi = {
  async open(bytes, fileName) {
    return toFile(await openPiece(bytes, fileName));
  },
  openAbc: (text, fileName) => Promise.resolve(toFile(openAbc(text, fileName))),
  openGrid: (grid, fileName) => Promise.resolve(toFile(openGrid(grid, fileName))),
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
  write(key, marks, remembered) {
    const piece = loaded.get(key);
    return Promise.resolve(piece ? writeMarks(piece.text, piece.read, marks, remembered) : null);
  },
  midi(key, request) {
    const piece = loaded.get(key);
    return Promise.resolve(piece ? scoreToMidi(piece.read.score, request) : null);
  },
  match(before, after) {
    const a = loaded.get(before);
    const b = loaded.get(after);
    return Promise.resolve(a && b ? matchEditions(a.read.score, b.read.score) : null);
  },
};

expose(api);
