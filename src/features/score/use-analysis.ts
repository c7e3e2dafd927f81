'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { playerKey, type Player } from '@/core/players';
import type { Issue } from '@/core/result';
import type { Piece } from '@/core/studio';
import { storageProblem } from '@/store';
import { analyse, type Built } from '@/workers';
import { loadedPiece, versionOf } from './loaded-piece';
import { recentlyUsed, useRemembered } from './recently-used';

export type AnalysisState =
  | { readonly kind: 'running'; readonly share: number }
  | { readonly kind: 'ready'; readonly analysis: Built }
  | { readonly kind: 'failed'; readonly issue: Issue }
  | { readonly kind: 'stopped' };

const known = recentlyUsed<Built>(12);

const versionFor = (piece: Piece, player: Player): string => `${versionOf(piece)} ${playerKey(player)}`;

/** How the piece is built, if it was found before; nothing is begun for it. */
export const useKnownAnalysis = (piece: Piece, player: Player): Built | undefined =>
  useRemembered(known, versionFor(piece, player));

/** How the piece is built, found once a version in a worker; `stop` gives it up, `start` begins again. */
export function useAnalysis(
  piece: Piece,
  player: Player,
): {
  readonly state: AnalysisState;
  readonly stop: () => void;
  readonly start: () => void;
} {
  const version = versionFor(piece, player);
  const [state, setState] = useState<{ version: string; state: AnalysisState } | null>(null);
  const [attempt, setAttempt] = useState(0);
  const [stopped, setStopped] = useState<string | null>(null);
  // A piece of the same version is the same music, whatever else of it changed.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const about = useMemo(() => ({ key: version, loaded: loadedPiece(piece), player }), [version]);
  const there = useRemembered(known, version);
  useEffect(() => {
    if (there || stopped === about.key) return undefined;
    let current = true;
    const tell = (next: AnalysisState): void => {
      if (current) setState({ version: about.key, state: next });
    };
    const running = analyse(about.loaded, about.player, (share) => tell({ kind: 'running', share }));
    running.result
      .then((result) => {
        if (result.ok) known.put(about.key, result.value);
        else tell({ kind: 'failed', issue: result.issue });
      })
      .catch((error: unknown) => tell({ kind: 'failed', issue: storageProblem(error).issue }));
    return () => {
      current = false;
      running.cancel();
    };
  }, [about, attempt, stopped, there]);
  return {
    state: there
      ? { kind: 'ready', analysis: there }
      : stopped === version
        ? { kind: 'stopped' }
        : state?.version === version
          ? state.state
          : { kind: 'running', share: 0 },
    stop: useCallback(() => setStopped(version), [version]),
    start: useCallback(() => {
      setStopped(null);
      setAttempt((n) => n + 1);
    }, []),
  };
}
