'use client';

import { startTransition, useEffect, useMemo, useState } from 'react';
import type { EngraveOptions } from '@/core/engraving';
import type { ExcerptRequest } from '@/core/musicxml';
import { fail, ok, type Issue, type Result } from '@/core/result';
import type { Score } from '@/core/score';
import type { Piece } from '@/core/studio';
import { cachedEngraving, keepEngraving, storageProblem, useStudio, type StudioAccess } from '@/store';
import { askReading, engrave, loadScore, type Turn } from '@/workers';
import { loadedPiece, versionOf } from './loaded-piece';
import { drawnFromPages, mayBeOnPages } from './page-drawing';
import { recentlyUsed, useRemembered } from './recently-used';

export type ScoreState =
  | { readonly kind: 'loading' }
  | { readonly kind: 'ready'; readonly score: Score }
  | { readonly kind: 'failed'; readonly issue: Issue };

/** Scores kept in memory: those of a lesson, and some. */
const scores = recentlyUsed<Score>(60);
/** Engravings kept in memory by what is in them; those that were on screen by what was asked for, too. */
const recent = recentlyUsed<readonly string[]>(120);
const onScreen = recentlyUsed<EngravingState & { readonly kind: 'ready' }>(60);

/** The score of a piece, from memory where it is there. */
export async function scoreOf(piece: Piece): Promise<Result<Score>> {
  const version = versionOf(piece);
  const known = scores.get(version);
  if (known) return ok(known);
  const result = await loadScore(loadedPiece(piece));
  if (result.ok) scores.put(version, result.value);
  return result;
}

/** The score of a piece, read in a worker and kept in memory. */
export function useScore(piece: Piece | null | undefined): ScoreState {
  const [failed, setFailed] = useState<{ version: string; issue: Issue } | null>(null);
  const version = piece ? versionOf(piece) : null;
  const known = useRemembered(scores, version);
  useEffect(() => {
    if (!piece || !version || known) return undefined;
    let current = true;
    loadScore(loadedPiece(piece))
      .then((result) => {
        if (result.ok) scores.put(version, result.value);
        else if (current) setFailed({ version, issue: result.issue });
      })
      .catch((error: unknown) => {
        if (current) setFailed({ version, issue: storageProblem(error).issue });
      });
    return () => {
      current = false;
    };
  }, [piece, version, known]);
  if (known) return { kind: 'ready', score: known };
  return failed !== null && failed.version === version ? { kind: 'failed', issue: failed.issue } : { kind: 'loading' };
}

/** The scores of several pieces, as far as they are there. */
export interface SeveralScores {
  /** By piece id. */
  readonly scores: ReadonlyMap<string, Score>;
  /** Why others cannot be read, by piece id. */
  readonly unread: ReadonlyMap<string, Issue>;
  /** Some are still being read: what is worked out of all of them is not to be taken yet. */
  readonly pending: boolean;
}

/** What of some pieces is there by now. */
function readOf(pieces: readonly Piece[], failed: ReadonlyMap<string, Issue>): SeveralScores {
  const read = new Map<string, Score>();
  const unread = new Map<string, Issue>();
  for (const piece of pieces) {
    const version = versionOf(piece);
    const score = scores.get(version);
    const issue = failed.get(version);
    if (score) read.set(piece.id, score);
    else if (issue) unread.set(piece.id, issue);
  }
  return { scores: read, unread, pending: read.size + unread.size < new Set(pieces.map((p) => p.id)).size };
}

/** The scores of several pieces. They come in one after the other. */
export function useScores(pieces: readonly Piece[]): SeveralScores {
  const [puts, setPuts] = useState(scores.puts);
  useEffect(() => {
    const look = (): void => startTransition(() => setPuts(scores.puts()));
    look();
    return scores.subscribe(look);
  }, []);
  const [failed, setFailed] = useState<ReadonlyMap<string, Issue>>(new Map());
  const wanted = pieces.map(versionOf).join('\n');
  useEffect(() => {
    let current = true;
    const read = async (piece: Piece): Promise<void> => {
      const version = versionOf(piece);
      if (scores.get(version)) return;
      const result = await loadScore(loadedPiece(piece)).catch(storageProblem);
      if (result.ok) scores.put(version, result.value);
      else if (current) setFailed((before) => new Map([...before, [version, result.issue]]));
    };
    const run = async (): Promise<void> => {
      for (const piece of pieces) {
        await read(piece);
        if (!current) return;
      }
    };
    // What goes wrong is kept for each piece.
    run().catch(() => undefined);
    return () => {
      current = false;
    };
    // The pieces are in `wanted`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted]);
  return useMemo(
    () => readOf(pieces, failed),
    // What was put into the memory is counted.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [pieces, failed, puts],
  );
}

export type EngravingState =
  | { readonly kind: 'loading' }
  | { readonly kind: 'ready'; readonly systems: readonly string[]; readonly document: string }
  | { readonly kind: 'failed'; readonly message: string };

const UNDRAWN = 'This music could not be drawn; the rest of the application still works with it.';

async function hash(text: string): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text));
  return [...new Uint8Array(digest)].map((b) => b.toString(16).padStart(2, '0')).join('');
}

async function engraveCached(
  db: StudioAccess['db'],
  document: string,
  options: EngraveOptions,
  turn?: Turn,
): Promise<EngravingState> {
  const { width, scale, close = false, numbered = false } = options;
  const size = `${width} ${scale}${close ? ' close' : ''}${numbered ? ' numbered' : ''}`;
  const key = await hash(`${process.env['ENGRAVER_VERSION'] ?? ''} ${size} ${document}`);
  const kept = recent.get(key) ?? (await cachedEngraving(db, key, Date.now()));
  if (kept) {
    recent.put(key, kept);
    return { kind: 'ready', systems: kept, document: key };
  }
  const result = await engrave(document, options, turn);
  if (!result.ok) return { kind: 'failed', message: result.issue.message };
  recent.put(key, result.value);
  await keepEngraving(db, key, result.value, Date.now());
  return { kind: 'ready', systems: result.value, document: key };
}

/** Bars cut from the pages of a piece; null where it has none. */
async function fromPages(
  studio: Pick<StudioAccess, 'db'>,
  piece: Piece,
  request: ExcerptRequest,
  options: EngraveOptions,
): Promise<Result<readonly string[]> | null> {
  if (!mayBeOnPages(piece)) return null;
  const score = await scoreOf(piece);
  return score.ok ? drawnFromPages(studio, piece, score.value, request, options) : score;
}

/** Bars of a piece as one drawing a line, cut from its pages or engraved; from the cache where they are there. */
export async function engravedBars(
  { db }: Pick<StudioAccess, 'db'>,
  piece: Piece,
  request: ExcerptRequest,
  options: EngraveOptions,
): Promise<Result<readonly string[]>> {
  const cut = await fromPages({ db }, piece, request, options);
  if (cut) return cut;
  const document = await askReading((api) => api.excerpt(loadedPiece(piece), request));
  if (!document.ok) return document;
  const engraving = await engraveCached(db, document.value, options);
  return engraving.kind === 'ready' ? ok(engraving.systems) : fail('engrave-failed', UNDRAWN);
}

/**
 * Engraves an excerpt of a piece for a width in CSS pixels; shows a stored engraving at once when the excerpt is the
 * same.
 */
export function useEngraving(
  piece: Piece | null | undefined,
  score: Score | null,
  request: ExcerptRequest | null,
  width: number,
  scale: number,
): EngravingState {
  const { db } = useStudio();
  const [state, setState] = useState<{ about: string; wanted: string; engraving: EngravingState } | null>(null);
  const version = piece ? versionOf(piece) : '';
  const about = JSON.stringify([version, request]);
  const wanted = request && score && width > 0 ? JSON.stringify([version, request, width, scale]) : null;
  const there = wanted === null ? undefined : onScreen.get(wanted);
  if (wanted !== null && there && state?.engraving !== there) setState({ about, wanted, engraving: there });
  const isThere = there !== undefined;
  useEffect(() => {
    if (!wanted || !piece || isThere) return undefined;
    const [, excerptRequest] = JSON.parse(wanted) as [string, ExcerptRequest];
    let current = true;
    const run = async (): Promise<EngravingState> => {
      const cut = await fromPages({ db }, piece, excerptRequest, { width, scale });
      if (cut)
        return cut.ok
          ? { kind: 'ready', systems: cut.value, document: wanted }
          : { kind: 'failed', message: cut.issue.message };
      const document = await askReading((api) => api.excerpt(loadedPiece(piece), excerptRequest));
      return document.ok
        ? kept(await engraveCached(db, document.value, { width, scale }, { isWanted: () => current }))
        : { kind: 'failed', message: document.issue.message };
    };
    const kept = (engraving: EngravingState): EngravingState => {
      if (engraving.kind === 'ready') onScreen.put(wanted, engraving);
      return engraving;
    };
    run()
      .catch((): EngravingState => ({
        kind: 'failed',
        message: UNDRAWN,
      }))
      .then((engraving) => {
        if (current) startTransition(() => setState({ about, wanted, engraving }));
      })
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [about, wanted, piece, version, db, width, scale, isThere]);
  if (there) return there;
  if (!wanted || !state) return { kind: 'loading' };
  // While a new width of the same bars is drawn, the old lines stay; other bars never stand for them.
  return state.wanted === wanted || (state.about === about && state.engraving.kind === 'ready')
    ? state.engraving
    : { kind: 'loading' };
}
