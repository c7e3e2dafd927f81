import { useEffect, useMemo } from 'react';
import { playerKey, type Player } from '@/core/players';
import type { Piece } from '@/core/studio';
import { askAnalysis, type HardPlaces } from '@/workers';
import { loadedPiece, versionOf } from './loaded-piece';
import { recentlyUsed, useRemembered } from './recently-used';
import { useKnownAnalysis } from './use-analysis';

const atFirstSight = recentlyUsed<HardPlaces>(60);

/**
 * How hard each bar of a piece is for a player: as the analysis found it, until then what shows at first sight, both in
 * a worker; nothing before that.
 */
export function useHardBars(piece: Piece, player: Player): HardPlaces | null {
  const version = `${versionOf(piece)} ${playerKey(player)} ${player.instrument ?? ''}`;
  const known = useKnownAnalysis(piece, player);
  const seen = useRemembered(atFirstSight, version);
  const isThere = known !== undefined || seen !== undefined;
  useEffect(() => {
    if (isThere) return;
    askAnalysis((api) => api.atFirstSight(loadedPiece(piece), player)).then(
      (answer) => {
        if (answer.ok) atFirstSight.put(version, answer.value);
      },
      // A strip without its heights is still a strip; why a piece cannot be read is said by the stage.
      () => undefined,
    );
    // A piece and a player of the same version are the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [version, isThere]);
  return useMemo(
    () =>
      known
        ? { scores: known.difficulties.map((d) => d.score), corners: known.corners.map((c) => c.bar) }
        : (seen ?? null),
    [known, seen],
  );
}
