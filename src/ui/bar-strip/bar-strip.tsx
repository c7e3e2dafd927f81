'use client';

import type { ReactNode } from 'react';
import { useOwnWidth } from '../use-own-width';
import { StripArcs } from './strip-arcs';
import { StripBrackets } from './strip-brackets';
import { layOutStrip } from './strip-layout';
import type { BarSpan, StripArc, StripBar, StripBracket, StripJump } from './strip-parts';
import { LitPlaces, StripFamilies, StripLine } from './strip-signs';
import { StripTiles } from './strip-tiles';

interface Props {
  readonly bars: readonly StripBar[];
  readonly brackets: readonly StripBracket[];
  readonly arcs?: readonly StripArc[];
  readonly selection: BarSpan | null;
  readonly onSelect: (selection: BarSpan | null) => void;
  readonly jumps?: readonly StripJump[];
  readonly onArc?: (id: string | null) => void;
  readonly chosenArc?: string | null;
  readonly onBracket?: (id: string) => void;
  /** An end of a bracket was dragged to a bar: its new first or last bar. */
  readonly onMoveEnd?: (id: string, end: 'first' | 'last', bar: number) => void;
  readonly chosenBracket?: string | null;
  /** Shorter, for stages where it is only for finding the way. */
  readonly compact?: boolean;
}

/**
 * The whole piece as one line of tiles: as wide as a bar is long, as high as it is hard. Drag, click or the arrow keys
 * choose bars (with Shift: up to there); Home and End go to the ends, Escape chooses none.
 */
export function BarStrip({
  bars,
  brackets,
  arcs = [],
  jumps = [],
  selection,
  onSelect,
  onArc,
  chosenArc = null,
  onBracket,
  onMoveEnd,
  chosenBracket = null,
  compact = false,
}: Props): ReactNode {
  const [ref, width] = useOwnWidth('bar strip');
  const layout = layOutStrip({ bars, brackets, arcs, jumps }, width, compact);
  const barUnder = (clientX: number): number =>
    layout.barAt(clientX - (ref.current?.getBoundingClientRect().left ?? 0));
  return (
    <div ref={ref} className="w-full select-none">
      <svg width="100%" height={layout.height} className="block touch-none" aria-hidden={width === 0}>
        <StripArcs layout={layout} bars={bars} arcs={arcs} chosen={chosenArc} onArc={onArc} />
        <StripBrackets
          layout={layout}
          brackets={brackets}
          chosen={chosenBracket}
          compact={compact}
          onBracket={onBracket}
          onMoveEnd={onMoveEnd}
          barUnder={barUnder}
        />
        <StripTiles layout={layout} bars={bars} selection={selection} onSelect={onSelect} barUnder={barUnder} />
        <StripFamilies layout={layout} bars={bars} />
        <LitPlaces layout={layout} arc={arcs.find((a) => a.id === chosenArc) ?? null} />
        <StripLine layout={layout} bars={bars} jumps={jumps} />
      </svg>
    </div>
  );
}
