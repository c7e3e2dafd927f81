'use client';

import { useCallback, useEffect, useState } from 'react';
import type { Issue } from '@/core/result';
import type { Piece } from '@/core/studio';
import { analyse, type Analysis } from '@/workers';
import { versionOf } from './use-score';

export type AnalysisState =
  | { readonly kind: 'running'; readonly share: number }
  | { readonly kind: 'ready'; readonly analysis: Analysis }
  | { readonly kind: 'failed'; readonly issue: Issue }
  | { readonly kind: 'stopped' };

const known = new Map<string, Analysis>();

/** How the piece is built, found once a version in a worker; `stop` gives it up, `start` begins again. */
export function useAnalysis(piece: Piece): { readonly state: AnalysisState; readonly stop: () => void; readonly start: () => void } {
  const version = versionOf(piece);
  const [state, setState] = useState<{ version: string; state: AnalysisState } | null>(null);
  const [attempt, setAttempt] = useState(0);
  const [stopped, setStopped] = useState<string | null>(null);
  useEffect(() => {
    if (known.has(version) || stopped === version) return undefined;
    const running = analyse(piece.source, piece.fileName, { keyboard: piece.instrument === 'piano' }, (share) =>
      setState({ version, state: { kind: 'running', share } }),
    );
    void running.result.then((result) => {
      if (result.ok) known.set(version, result.value);
      setState({ version, state: result.ok ? { kind: 'ready', analysis: result.value } : { kind: 'failed', issue: result.issue } });
    });
    return running.cancel;
  }, [version, piece.source, piece.fileName, piece.instrument, attempt, stopped]);
  const there = known.get(version);
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
