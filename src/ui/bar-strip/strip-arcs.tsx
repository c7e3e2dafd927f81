import type { ReactNode } from 'react';
import type { StripLayout } from './strip-layout';
import { DASH, type BarSpan, type StripArc, type StripBar } from './strip-parts';

/** The arcs that join places that are the same, and their labels. */
export function StripArcs({
  layout,
  bars,
  arcs,
  chosen,
  onArc,
}: {
  readonly layout: StripLayout;
  readonly bars: readonly StripBar[];
  readonly arcs: readonly StripArc[];
  readonly chosen: string | null;
  readonly onArc: ((id: string | null) => void) | undefined;
}): ReactNode {
  const { arcHeight } = layout;
  const barsOf = ([from, to]: BarSpan): string => `bars ${bars[from]?.number ?? ''} to ${bars[to]?.number ?? ''}`;
  return (
    <>
      {arcs.map((arc) => {
        const at = layout.arcs.get(arc.id);
        if (!at) return null;
        const isLit = arc.id === chosen;
        const top = arcHeight - at.rise * 1.3;
        const line = `M${at.from} ${arcHeight} C ${at.from} ${top}, ${at.to} ${top}, ${at.to} ${arcHeight}`;
        const pick = (): void => onArc?.(isLit ? null : arc.id);
        return (
          <g
            key={arc.id}
            role="button"
            tabIndex={onArc ? 0 : -1}
            aria-pressed={isLit}
            aria-label={`${arc.label}: ${barsOf(arc.a)} and ${barsOf(arc.b)}`}
            className="cursor-pointer focus:outline-none [&:focus-visible_path]:stroke-[3.5]"
            onClick={pick}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== ' ') return;
              e.preventDefault();
              e.stopPropagation();
              pick();
            }}
          >
            <path d={line} fill="none" stroke="transparent" strokeWidth="12" />
            <path
              d={line}
              fill="none"
              stroke="var(--color-leaf-deep)"
              strokeWidth={isLit ? 3.2 : 1.6}
              strokeDasharray={DASH[arc.kind]}
            />
          </g>
        );
      })}
      {arcs.map((arc) => {
        const at = layout.arcs.get(arc.id);
        const isLit = arc.id === chosen;
        // The label of a chosen arc stands alone; one without room waits until its arc is chosen.
        if (!at || !(chosen === null ? at.labelled : isLit)) return null;
        return (
          <text
            key={arc.id}
            x={at.label.x}
            y={at.label.y}
            textAnchor="middle"
            fontSize="13.5"
            fontWeight={isLit ? 700 : 400}
            fill={isLit ? 'var(--color-leaf-deep)' : 'var(--color-ink-2)'}
            stroke="var(--color-sheet)"
            strokeWidth="5"
            paintOrder="stroke"
            pointerEvents="none"
          >
            {arc.label}
          </text>
        );
      })}
    </>
  );
}
