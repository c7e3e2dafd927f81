'use client';

import type { ReactNode } from 'react';
import type { Player } from '@/core/players';
import type { Score } from '@/core/score';
import type { Piece } from '@/core/studio';
import { EngravedLines, Problem, useGrowing, useOwnWidth, type LineLayout } from '@/ui';
import { useWhere } from '@/features/where';
import { mayBeOnPages } from './page-drawing';
import { partsDrawn, type PageView } from './page-view';
import { FirstLook, useFirstLook, useKeepingLook } from './first-look';
import { useEngraving } from './use-score';

interface Props {
  readonly piece: Piece;
  readonly score: Score;
  readonly from: number;
  readonly to: number;
  readonly label: string;
  readonly scale?: number;
  readonly chosen?: ReadonlySet<string>;
  readonly chosenBars?: ReadonlySet<string>;
  readonly coveredBars?: ReadonlySet<string>;
  readonly differs?: ReadonlySet<string>;
  readonly onNote?: (id: string) => void;
  readonly onBar?: (id: string, extend: boolean) => void;
  readonly above?: (layout: LineLayout, line: number) => ReactNode;
  readonly below?: (layout: LineLayout, line: number) => ReactNode;
  readonly over?: (layout: LineLayout, line: number) => ReactNode;
  /** Space kept free at the left for braces and the names of lanes, in CSS pixels. */
  readonly gutter?: number;
  readonly withoutFingerings?: boolean;
  /** Whose part is drawn large, or alone; all parts alike where nobody is named. */
  readonly player?: Player;
  readonly view?: PageView;
  /** Shown until the music is drawn. */
  readonly meanwhile?: ReactNode;
}

/** Bars drawn first of a long range. */
const FIRST_BARS = 6;

const NO_LINES: readonly string[] = [];

/** Music is drawn in these steps of width, in CSS pixels: a little more room draws nothing anew. */
const STEP = 10;
const NARROWEST = 200;

/** Bars of a piece, engraved to the width there is. */
export function ScoreLines({
  piece,
  score,
  from,
  to,
  label,
  scale = 62,
  gutter = 14,
  withoutFingerings = false,
  player,
  view = 'all',
  meanwhile,
  ...rest
}: Props): ReactNode {
  const { stage } = useWhere();
  const [host, room] = useOwnWidth(`music in ${stage}, ${gutter}`);
  const width = room === 0 ? 0 : Math.max(NARROWEST, Math.floor((room - gutter - 4) / STEP) * STEP);
  // A long range shows its first bars while the rest is still being drawn.
  const drawn = player ? partsDrawn(score, player, view) : {};
  const first = to - from >= FIRST_BARS * 2 ? { from, to: from + FIRST_BARS - 1, withoutFingerings, ...drawn } : null;
  const beginning = useEngraving(piece, score, first, width, scale);
  const whole = useEngraving(piece, score, { from, to, withoutFingerings, ...drawn }, width, scale);
  const engraving = whole.kind === 'loading' && first && beginning.kind === 'ready' ? beginning : whole;
  const isBeginning = from === 0 && !withoutFingerings && !mayBeOnPages(piece);
  const look = useFirstLook(isBeginning && engraving.kind === 'loading' ? piece : null);
  useKeepingLook(piece, isBeginning && engraving.kind === 'ready' ? (engraving.systems[0] ?? null) : null);
  const lines = useGrowing(engraving.kind === 'ready' ? engraving.systems : NO_LINES, 1, label);
  // The music takes the width that there is and never makes it: else a narrower window would shrink it step by step.
  return (
    <div
      ref={host}
      style={{ paddingLeft: gutter }}
      className="min-h-24 contain-inline-size"
      aria-busy={
        engraving.kind === 'loading' || (engraving.kind === 'ready' && lines.length < engraving.systems.length)
      }
    >
      {engraving.kind === 'loading' ? (
        (meanwhile ??
        (look === undefined ? (
          <p className="py-8 text-center text-ink-2" role="status">
            Drawing the music…
          </p>
        ) : (
          <FirstLook svg={look} label={label} />
        )))
      ) : engraving.kind === 'failed' ? (
        <Problem>{engraving.message}</Problem>
      ) : (
        <EngravedLines systems={lines} label={label} {...rest} />
      )}
    </div>
  );
}
