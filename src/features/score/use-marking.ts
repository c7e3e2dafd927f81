'use client';

import { useEffect, useState } from 'react';
import type { Fingering, FingeringRequest } from '@/core/fingering';
import { playerKey, type Player } from '@/core/players';
import type { Issue, Result } from '@/core/result';
import type { Piece, Section } from '@/core/studio';
import type { Way, WayRequest } from '@/core/way';
import { storageProblem } from '@/store';
import { askAnalysis, type LoadedPiece, type Marking, type MarkingRequest } from '@/workers';
import { loadedPiece, versionOf } from './loaded-piece';

/**
 * The answer to what is asked now. `earlier` is the last one about the same thing, for the eye only: nothing may be
 * taken from it.
 */
export type Answer<T> =
  | { readonly kind: 'asking'; readonly earlier: T | null }
  | { readonly kind: 'ready'; readonly value: T }
  | { readonly kind: 'failed'; readonly issue: Issue };

interface Asked<T> {
  readonly about: string;
  readonly wanted: string;
  readonly result: Result<T>;
}

/**
 * A worker's answer to a request that is plain data, told apart by its text. An answer to an earlier request never
 * stands for this one; it may be shown while this one is asked, as long as it is about the same thing (`about`: the
 * same piece, student, variant).
 */
function useAnswer<T>(
  piece: Piece,
  about: string,
  request: string | null,
  ask: (loaded: LoadedPiece) => Promise<Result<T>>,
): Answer<T> {
  const [asked, setAsked] = useState<Asked<T> | null>(null);
  const version = versionOf(piece);
  const wanted = request === null ? null : `${version} ${request}`;
  const subject = `${version} ${about}`;
  useEffect(() => {
    if (wanted === null) return undefined;
    let current = true;
    const tell = (result: Result<T>): void => {
      if (current) setAsked({ about: subject, wanted, result });
    };
    ask(loadedPiece(piece))
      .then(tell)
      .catch((error: unknown) => tell(storageProblem(error)));
    return () => {
      current = false;
    };
    // The request is in `wanted`; the function that asks is made anew every time and says the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted, subject]);
  if (asked !== null && asked.wanted === wanted)
    return asked.result.ok
      ? { kind: 'ready', value: asked.result.value }
      : { kind: 'failed', issue: asked.result.issue };
  return {
    kind: 'asking',
    earlier: asked !== null && asked.about === subject && asked.result.ok ? asked.result.value : null,
  };
}

/** What can be shown of an answer: this one, or an earlier one about the same thing. */
export const shownOf = <T>(answer: Answer<T>): T | null =>
  answer.kind === 'ready' ? answer.value : answer.kind === 'asking' ? answer.earlier : null;

const replacer = (_: string, value: unknown): unknown => (value instanceof Map ? [...value] : value);

/** A proposed fingering of some bars, solved anew around every lock; `about` says for whom. */
export const useFingering = (
  piece: Piece,
  player: Player,
  about: string,
  request: FingeringRequest | null,
): Answer<Fingering> =>
  useAnswer(
    piece,
    `${about} ${playerKey(player)}`,
    request ? `${playerKey(player)} ${JSON.stringify(request, replacer)}` : null,
    (loaded) => askAnalysis((api) => api.finger(loaded, player, request ?? { instrument: 'other' })),
  );

/** Chords, dynamics, breaths, bowing, phrases and ornaments of the piece. */
export const useMarking = (piece: Piece, player: Player, about: string, request: MarkingRequest): Answer<Marking> =>
  useAnswer(
    piece,
    `${about} ${playerKey(player)}`,
    `${playerKey(player)} ${JSON.stringify(request, replacer)}`,
    (loaded) => askAnalysis((api) => api.marking(loaded, player, request)),
  );

/** The way through a piece as it would be proposed; nothing is asked while `request` is null. */
export const useProposedWay = (
  piece: Piece,
  player: Player,
  kept: readonly Section[],
  request: WayRequest | null,
): Answer<Way> =>
  useAnswer(piece, playerKey(player), request ? JSON.stringify([playerKey(player), kept, request]) : null, (loaded) =>
    askAnalysis((api) => api.way(loaded, player, kept, request ?? { level: 'intermediate', school: null })),
  );
