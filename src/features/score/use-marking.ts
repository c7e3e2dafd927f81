'use client';

import { useEffect, useState } from 'react';
import type { Fingering, FingeringRequest } from '@/core/fingering';
import type { LadderChunk, OrderRequest } from '@/core/ladder';
import type { ProposedSection } from '@/core/sections';
import type { Piece } from '@/core/studio';
import { pieceWorker, type Marking, type MarkingRequest } from '@/workers';
import { versionOf } from './use-score';

/** A worker's answer to a request that is plain data; the last one stays until the next is there. Requests are told apart by their text. */
function useAnswer<Answer>(piece: Piece, wanted: string | null, ask: (key: string) => Promise<Answer | null>): Answer | null {
  const [answer, setAnswer] = useState<{ readonly version: string; readonly value: Answer | null }>({ version: '', value: null });
  const version = versionOf(piece);
  useEffect(() => {
    if (wanted === null) return undefined;
    let current = true;
    const run = async (): Promise<void> => {
      await pieceWorker().load(version, piece.source, piece.fileName);
      const value = await ask(version);
      if (current) setAnswer({ version, value });
    };
    void run();
    return () => {
      current = false;
    };
    // The request is in `wanted`; the function that asks is made anew every time and says the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted, version]);
  return answer.version === version ? answer.value : null;
}

const replacer = (_: string, value: unknown): unknown => (value instanceof Map ? [...value] : value);

/** A proposed fingering of some bars, solved anew around every lock. */
export const useFingering = (piece: Piece, request: FingeringRequest | null): Fingering | null =>
  useAnswer(piece, request ? JSON.stringify(request, replacer) : null, (key) => (request ? pieceWorker().finger(key, request) : Promise.resolve(null)));

/** Chords, dynamics, breaths, bowing, phrases and ornaments of the piece. */
export const useMarking = (piece: Piece, request: MarkingRequest): Marking | null =>
  useAnswer(piece, JSON.stringify(request, replacer), (key) => pieceWorker().marking(key, request));

/** The chunks of a piece in learning order. */
export const useChunks = (piece: Piece, sections: readonly ProposedSection[], request: OrderRequest): readonly LadderChunk[] | null =>
  useAnswer(piece, JSON.stringify([sections, request]), (key) => pieceWorker().chunks(key, sections, request));
