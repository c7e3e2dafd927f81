import type { ReadScore } from '@/core/musicxml';
import { ok, type Result } from '@/core/result';
import { readKept } from '@/core/studio';
import type { LoadedPiece } from './protocol';

/** Pieces kept in memory; the one asked for longest ago goes first. */
const MOST_LOADED = 12;

/** A small memory of pieces that were read, so that each is read once a version. */
export interface LoadedPieces {
  readonly readOf: (loaded: LoadedPiece) => Result<ReadScore>;
  readonly keep: (key: string, read: ReadScore) => void;
}

export function loadedPieces(): LoadedPieces {
  const loaded = new Map<string, ReadScore>();
  const keep = (key: string, read: ReadScore): void => {
    loaded.delete(key);
    loaded.set(key, read);
    const [oldest] = loaded.keys();
    if (loaded.size > MOST_LOADED && oldest !== undefined) loaded.delete(oldest);
  };
  return {
    keep,
    readOf: ({ key, piece }) => {
      const known = loaded.get(key);
      const read = known ? ok(known) : readKept(piece);
      if (read.ok) keep(key, read.value);
      return read;
    },
  };
}
