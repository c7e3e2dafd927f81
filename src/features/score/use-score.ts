'use client';

import { useEffect, useState } from 'react';
import type { ExcerptRequest } from '@/core/musicxml';
import type { Issue } from '@/core/result';
import type { Score } from '@/core/score';
import type { Piece } from '@/core/studio';
import { cachedEngraving, keepEngraving, useStudio, type StudioAccess } from '@/store';
import { engrave, loadScore, pieceWorker } from '@/workers';

export type ScoreState = { readonly kind: 'loading' } | { readonly kind: 'ready'; readonly score: Score } | { readonly kind: 'failed'; readonly issue: Issue };

/** Changes when the music does, not when something else of the piece is set. */
export const versionOf = (piece: Piece): string => `${piece.id} ${piece.touched?.['source'] ?? piece.updatedAt} ${piece.source.length} ${piece.instrument}`;
const scores = new Map<string, Score>();

/** The score of a piece, read in a worker and kept in memory; an earlier version is shown until the new one is there. */
export function useScore(piece: Piece | null | undefined): ScoreState {
  const [loaded, setLoaded] = useState<{ version: string; state: ScoreState } | null>(null);
  const version = piece ? versionOf(piece) : null;
  const known = version ? scores.get(version) : undefined;
  useEffect(() => {
    if (!piece || !version || scores.has(version)) return undefined;
    let current = true;
    void loadScore(version, piece.source, piece.fileName).then((result) => {
      if (result.ok) scores.set(version, result.value);
      if (current) setLoaded({ version, state: result.ok ? { kind: 'ready', score: result.value } : { kind: 'failed', issue: result.issue } });
    });
    return () => {
      current = false;
    };
  }, [piece, version]);
  if (known) return { kind: 'ready', score: known };
  return loaded && loaded.version === version ? loaded.state : { kind: 'loading' };
}

/** The scores of several pieces, by piece id; those that cannot be read are left out. They come in one after the other. */
export function useScores(pieces: readonly Piece[]): ReadonlyMap<string, Score> {
  const [, setCount] = useState(0);
  const wanted = pieces.map(versionOf).join('\n');
  useEffect(() => {
    let current = true;
    const run = async (): Promise<void> => {
      for (const piece of pieces) {
        const version = versionOf(piece);
        if (scores.has(version)) continue;
        const result = await loadScore(version, piece.source, piece.fileName);
        if (result.ok) scores.set(version, result.value);
        if (!current) return;
        setCount((n) => n + 1);
      }
    };
    void run();
    return () => {
      current = false;
    };
    // The pieces are in `wanted`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted]);
  return new Map(
    pieces.flatMap((p) => {
      const score = scores.get(versionOf(p));
      return score ? [[p.id, score] as const] : [];
    }),
  );
}

export type EngravingState =
  | { readonly kind: 'loading' }
  | { readonly kind: 'ready'; readonly systems: readonly string[]; readonly document: string }
  | { readonly kind: 'failed'; readonly message: string };

async function hash(text: string): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text));
  return [...new Uint8Array(digest)].map((b) => b.toString(16).padStart(2, '0')).join('');
}

const recent = new Map<string, readonly string[]>();

async function engraveCached(db: StudioAccess['db'], document: string, width: number, scale: number): Promise<EngravingState> {
  const key = await hash(`${width} ${scale} ${document}`);
  const kept = recent.get(key) ?? (await cachedEngraving(db, key));
  if (kept) {
    recent.set(key, kept);
    return { kind: 'ready', systems: kept, document: key };
  }
  const result = await engrave(document, { width, scale });
  if (!result.ok) return { kind: 'failed', message: result.issue.message };
  recent.set(key, result.value);
  await keepEngraving(db, key, result.value, Date.now());
  return { kind: 'ready', systems: result.value, document: key };
}

/** Engraves an excerpt of a piece for a width in CSS pixels; shows a stored engraving at once when the excerpt is the same. */
export function useEngraving(
  piece: Piece | null | undefined,
  score: Score | null,
  request: ExcerptRequest | null,
  width: number,
  scale: number,
): EngravingState {
  const { db } = useStudio();
  const [state, setState] = useState<{ wanted: string; engraving: EngravingState } | null>(null);
  const version = piece ? versionOf(piece) : '';
  const wanted = request && score && width > 0 ? JSON.stringify([version, request, width, scale]) : null;
  useEffect(() => {
    if (!wanted || !piece) return undefined;
    const [, excerptRequest] = JSON.parse(wanted) as [string, ExcerptRequest];
    let current = true;
    const run = async (): Promise<void> => {
      const worker = pieceWorker();
      await worker.load(version, piece.source, piece.fileName);
      const document = await worker.excerpt(version, excerptRequest);
      const engraving: EngravingState =
        document === null ? { kind: 'failed', message: 'This piece could not be opened.' } : await engraveCached(db, document, width, scale);
      if (current) setState({ wanted, engraving });
    };
    void run();
    return () => {
      current = false;
    };
  }, [wanted, piece, version, db, width, scale]);
  if (!wanted || !state) return { kind: 'loading' };
  // While a new width is drawn, the old lines stay.
  return state.wanted === wanted || state.engraving.kind === 'ready' ? state.engraving : { kind: 'loading' };
}
