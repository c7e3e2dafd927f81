'use client';

import { useEffect, useId, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';

export interface StripBar {
  readonly id: string;
  readonly number: string;
  /** Any unit; tiles are as wide as this is long. */
  readonly length: number;
  /** 0 to 10. */
  readonly difficulty: number;
  readonly corner: boolean;
  readonly repeatStart: boolean;
  readonly repeatEnd: boolean;
  readonly doubleBar: boolean;
  readonly family: string | null;
}

export interface StripBracket {
  readonly id: string;
  readonly from: number;
  readonly to: number;
  readonly letter: string;
  readonly name: string;
  readonly proposed: boolean;
}

export interface StripArc {
  readonly id: string;
  readonly a: readonly [number, number];
  readonly b: readonly [number, number];
  readonly kind: 'exact' | 'changed' | 'moved';
  readonly label: string;
}

/** A way back or forward in the playing order: after bar `from` bar `to` sounds. */
export interface StripJump {
  readonly from: number;
  readonly to: number;
}

interface Props {
  readonly bars: readonly StripBar[];
  readonly brackets: readonly StripBracket[];
  readonly arcs?: readonly StripArc[];
  readonly selection: readonly [number, number] | null;
  readonly onSelect: (selection: readonly [number, number] | null) => void;
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

const DASH: Readonly<Record<StripArc['kind'], string>> = { exact: '', changed: '7 4', moved: '1.5 4' };

function useWidth(): [React.RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement | null>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const observer = new ResizeObserver(() => setWidth(element.clientWidth));
    observer.observe(element);
    setWidth(element.clientWidth);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}

/** Lanes for brackets that overlap: longer ones on top of those inside them. */
function bracketLanes(brackets: readonly StripBracket[]): {
  readonly lane: ReadonlyMap<string, number>;
  readonly count: number;
} {
  const lane = new Map<string, number>();
  const ends: number[] = [];
  for (const bracket of [...brackets].sort((a, b) => b.to - b.from - (a.to - a.from) || a.from - b.from)) {
    const overlapping = brackets
      .filter((o) => lane.has(o.id) && o.from <= bracket.to && o.to >= bracket.from)
      .map((o) => lane.get(o.id) ?? 0);
    let free = 0;
    while (overlapping.includes(free)) free += 1;
    lane.set(bracket.id, free);
    ends[free] = bracket.to;
  }
  return { lane, count: Math.max(1, ends.length) };
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
  const [ref, width] = useWidth();
  const anchor = useRef<number | null>(null);
  const base = useId();
  const total = bars.reduce((sum, b) => sum + b.length, 0) || 1;
  const inner = Math.max(10, width - 2);
  const edges: number[] = [1];
  for (const bar of bars) edges.push((edges[edges.length - 1] ?? 0) + (bar.length / total) * inner);
  const x = (index: number): number => edges[index] ?? inner;
  const { lane, count } = bracketLanes(brackets);
  const arcHeight = arcs.length > 0 && !compact ? 78 : 0;
  const laneHeight = compact ? 24 : 28;
  const tallest = compact ? 26 : 56;
  const tileTop = arcHeight + count * laneHeight + 6 + (compact ? 4 : 10);
  const floor = tileTop + tallest;
  const showFamilies = !compact && bars.some((b) => b.family !== null);
  const jumpHeight = jumps.length > 0 && !compact ? 14 : 0;
  const lineY = floor + (showFamilies ? 22 : 2) + 7;
  const height = lineY + 5 + jumpHeight;
  const lit = arcs.find((a) => a.id === chosenArc) ?? null;
  const [dragged, setDragged] = useState<{
    readonly id: string;
    readonly end: 'first' | 'last';
    readonly bar: number;
  } | null>(null);
  const perNumber = Math.max(1, Math.ceil(30 / (inner / Math.max(1, bars.length))));
  const chosen = (i: number): boolean => selection !== null && i >= selection[0] && i <= selection[1];
  // Easy pieces use the height too: the scale ends at the hardest bar, but never below 4 of 10, so that an easy piece
  // looks easy.
  const fullHeight = Math.max(4, ...bars.map((b) => b.difficulty));
  const tileHeight = (difficulty: number): number =>
    (compact ? 8 : 20) + (Math.min(fullHeight, difficulty) / fullHeight) * (tallest - (compact ? 8 : 20));

  // Far places make high arcs, near ones low, so that arcs and their labels keep apart.
  const spanOf = (arc: StripArc): number => Math.abs(arc.b[0] + arc.b[1] - arc.a[0] - arc.a[1]) / 2;
  const widest = Math.max(1, ...arcs.map(spanOf));
  const riseOf = (arc: StripArc): number => 14 + (arcHeight - 32) * (spanOf(arc) / widest);
  // Labels that would stand on one another stay away until their arc is chosen.
  const labelled = new Set<string>();
  const taken: { readonly from: number; readonly to: number; readonly y: number }[] = [];
  for (const arc of arcs) {
    const middle = (x(arc.a[0]) + x(arc.a[1] + 1) + x(arc.b[0]) + x(arc.b[1] + 1)) / 4;
    const y = Math.max(12, arcHeight - riseOf(arc) + 4);
    const half = arc.label.length * 3.6 + 4;
    if (taken.some((t) => Math.abs(t.y - y) < 15 && t.from < middle + half && t.to > middle - half)) continue;
    taken.push({ from: middle - half, to: middle + half, y });
    labelled.add(arc.id);
  }
  const barAt = (clientX: number): number => {
    const left = ref.current?.getBoundingClientRect().left ?? 0;
    const at = clientX - left;
    const found = edges.findIndex((edge) => edge > at);
    return Math.max(0, Math.min(bars.length - 1, (found === -1 ? bars.length : found) - 1));
  };
  const extend = (from: number, to: number): void => onSelect(from <= to ? [from, to] : [to, from]);
  const onPointerDown = (event: PointerEvent): void => {
    if (event.button !== 0) return;
    const bar = barAt(event.clientX);
    if (event.shiftKey && selection) {
      extend(anchor.current ?? selection[0], bar);
      return;
    }
    anchor.current = bar;
    onSelect([bar, bar]);
    (event.currentTarget as Element).setPointerCapture?.(event.pointerId);
  };
  const onPointerMove = (event: PointerEvent): void => {
    if (event.buttons !== 1 || anchor.current === null) return;
    const bar = barAt(event.clientX);
    const next: readonly [number, number] = bar < anchor.current ? [bar, anchor.current] : [anchor.current, bar];
    if (selection?.[0] !== next[0] || selection[1] !== next[1]) onSelect(next);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const last = bars.length - 1;
    const moves: Record<string, (at: number) => number> = {
      ArrowRight: (at) => at + 1,
      ArrowLeft: (at) => at - 1,
      Home: () => 0,
      End: () => last,
    };
    if (event.key === 'Escape') {
      onSelect(null);
      return;
    }
    const move = moves[event.key];
    if (!move || bars.length === 0) return;
    event.preventDefault();
    if (!selection) {
      const first = event.key === 'End' ? last : 0;
      anchor.current = first;
      onSelect([first, first]);
      return;
    }
    const fixed = event.shiftKey ? (anchor.current ?? selection[0]) : null;
    const lead =
      fixed === null
        ? event.key === 'ArrowLeft' || event.key === 'Home'
          ? selection[0]
          : selection[1]
        : fixed === selection[0]
          ? selection[1]
          : selection[0];
    const to = Math.max(0, Math.min(last, move(lead)));
    if (fixed === null) {
      anchor.current = to;
      onSelect([to, to]);
    } else extend(fixed, to);
  };
  const active = selection ? `${base}-${selection[1]}` : undefined;

  return (
    <div ref={ref} className="w-full select-none">
      <svg width="100%" height={height} className="block touch-none" aria-hidden={width === 0}>
        {arcs.map((arc) => {
          const from = (x(arc.a[0]) + x(arc.a[1] + 1)) / 2;
          const to = (x(arc.b[0]) + x(arc.b[1] + 1)) / 2;
          const rise = riseOf(arc);
          const isLit = arc.id === chosenArc;
          return arcHeight > 0 ? (
            <g
              key={arc.id}
              role="button"
              tabIndex={onArc ? 0 : -1}
              aria-pressed={isLit}
              aria-label={`${arc.label}: bars ${bars[arc.a[0]]?.number ?? ''} to ${bars[arc.a[1]]?.number ?? ''} and bars ${bars[arc.b[0]]?.number ?? ''} to ${bars[arc.b[1]]?.number ?? ''}`}
              className="cursor-pointer focus:outline-none [&:focus-visible_path]:stroke-[3.5]"
              onClick={() => onArc?.(isLit ? null : arc.id)}
              onKeyDown={(e) => {
                if (e.key !== 'Enter' && e.key !== ' ') return;
                e.preventDefault();
                e.stopPropagation();
                onArc?.(isLit ? null : arc.id);
              }}
            >
              <path
                d={`M${from} ${arcHeight} C ${from} ${arcHeight - rise * 1.3}, ${to} ${arcHeight - rise * 1.3}, ${to} ${arcHeight}`}
                fill="none"
                stroke="transparent"
                strokeWidth="12"
              />
              <path
                d={`M${from} ${arcHeight} C ${from} ${arcHeight - rise * 1.3}, ${to} ${arcHeight - rise * 1.3}, ${to} ${arcHeight}`}
                fill="none"
                stroke="var(--color-leaf-deep)"
                strokeWidth={isLit ? 3.2 : 1.6}
                strokeDasharray={DASH[arc.kind]}
              />
            </g>
          ) : null;
        })}
        {arcHeight > 0
          ? arcs.map((arc) =>
              labelled.has(arc.id) || arc.id === chosenArc ? (
                <text
                  key={arc.id}
                  x={(x(arc.a[0]) + x(arc.a[1] + 1) + x(arc.b[0]) + x(arc.b[1] + 1)) / 4}
                  y={Math.max(12, arcHeight - riseOf(arc) + 4)}
                  textAnchor="middle"
                  fontSize="13.5"
                  fontWeight={arc.id === chosenArc ? 700 : 400}
                  fill={arc.id === chosenArc ? 'var(--color-leaf-deep)' : 'var(--color-ink-2)'}
                  stroke="var(--color-sheet)"
                  strokeWidth="5"
                  paintOrder="stroke"
                  pointerEvents="none"
                >
                  {arc.label}
                </text>
              ) : null,
            )
          : null}
        {brackets.map((bracket) => {
          const pulled = dragged?.id === bracket.id ? dragged : null;
          const left = x(pulled?.end === 'first' ? pulled.bar : bracket.from) + 1.5;
          const right = x((pulled?.end === 'last' ? pulled.bar : bracket.to) + 1) - 1.5;
          const y = arcHeight + (lane.get(bracket.id) ?? 0) * laneHeight + laneHeight / 2;
          const isChosen = bracket.id === chosenBracket;
          const colour = isChosen ? 'var(--color-acorn)' : 'var(--color-leaf)';
          const room = right - left;
          const name =
            !compact && room > 40 + (bracket.letter.length + bracket.name.length + 1) * 8.2 ? bracket.name : '';
          const textWidth = bracket.letter.length * 11 + (name === '' ? 0 : name.length * 7.6 + 8) + 14;
          const middle = (left + right) / 2;
          return (
            <g
              key={bracket.id}
              onClick={() => onBracket?.(bracket.id)}
              style={{ cursor: onBracket ? 'pointer' : 'default' }}
            >
              <rect x={left} y={y - laneHeight / 2} width={Math.max(1, room)} height={laneHeight} fill="transparent" />
              <path
                d={`M${left} ${y + 9} V${y} H${Math.max(left, middle - textWidth / 2)} M${Math.min(right, middle + textWidth / 2)} ${y} H${right} V${y + 9}`}
                fill="none"
                stroke={colour}
                strokeWidth={isChosen ? 2.4 : 1.6}
                strokeDasharray={bracket.proposed ? '6 4' : ''}
              />
              <text
                x={middle}
                y={y + 5.5}
                textAnchor="middle"
                fontSize="16"
                fontFamily="var(--font-head)"
                fontWeight="600"
                fill="var(--color-ink)"
              >
                {bracket.letter}
                {name === '' ? null : (
                  <tspan dx="6" fontSize="15" fontFamily="var(--font-text)" fontWeight="400" fill="var(--color-ink-2)">
                    {name}
                  </tspan>
                )}
              </text>
              {onMoveEnd && !bracket.proposed && room > 24
                ? (['first', 'last'] as const).map((end) => (
                    <rect
                      key={end}
                      x={end === 'first' ? left - 3 : right - 9}
                      y={y - laneHeight / 2}
                      width="12"
                      height={laneHeight}
                      fill="transparent"
                      style={{ cursor: 'ew-resize' }}
                      onPointerDown={(e) => {
                        e.stopPropagation();
                        (e.currentTarget as Element).setPointerCapture(e.pointerId);
                        setDragged({ id: bracket.id, end, bar: end === 'first' ? bracket.from : bracket.to });
                      }}
                      onPointerMove={(e) => {
                        if (dragged?.id === bracket.id && dragged.end === end)
                          setDragged({ ...dragged, bar: barAt(e.clientX) });
                      }}
                      onPointerUp={() => {
                        if (dragged) onMoveEnd(dragged.id, dragged.end, dragged.bar);
                        setDragged(null);
                      }}
                    />
                  ))
                : null}
            </g>
          );
        })}
        <g
          role="listbox"
          aria-label="Bars of the piece"
          aria-multiselectable="true"
          aria-activedescendant={active}
          tabIndex={0}
          onPointerDown={onPointerDown}
          onPointerMove={onPointerMove}
          onKeyDown={onKeyDown}
          className="focus:outline-none [&:focus-visible_.strip-focus]:stroke-leaf [&:focus-visible_.strip-focus]:stroke-[3]"
        >
          <rect
            className="strip-focus"
            x="0"
            y={tileTop - 6}
            width={Math.max(1, width)}
            height={tallest + 8}
            fill="transparent"
            stroke="transparent"
            rx="3"
          />
          {bars.map((bar, i) => {
            const h = tileHeight(bar.difficulty);
            const left = x(i);
            const w = Math.max(1, x(i + 1) - left - (inner / bars.length > 8 ? 1.5 : 0.3));
            return (
              <g
                key={bar.id}
                role="option"
                id={`${base}-${i}`}
                aria-selected={chosen(i)}
                aria-label={`bar ${bar.number}, difficulty ${bar.difficulty.toFixed(1)}${bar.corner ? ', corner' : ''}`}
              >
                <rect x={left} y={tileTop} width={w} height={tallest} fill="transparent" />
                <rect
                  x={left}
                  y={floor - h}
                  width={w}
                  height={h}
                  fill={chosen(i) ? 'var(--color-acorn-wash)' : 'var(--color-leaf-wash)'}
                  stroke={chosen(i) ? 'var(--color-acorn)' : 'var(--color-rule-strong)'}
                  strokeWidth={chosen(i) ? 1.6 : 0.8}
                />
                {bar.corner ? (
                  <path d={`M${left + w / 2 - 5} ${floor - h - 3} l5 -5 l5 5 z`} fill="var(--color-warn)" />
                ) : null}
                {!compact && (i % perNumber === 0 || (selection !== null && i === selection[0] && w > 14)) ? (
                  <text
                    x={left + w / 2}
                    y={floor - 5}
                    textAnchor="middle"
                    fontSize="13.5"
                    fontFamily="var(--font-figure)"
                    fill="var(--color-ink)"
                  >
                    {bar.number}
                  </text>
                ) : null}
              </g>
            );
          })}
        </g>
        {showFamilies
          ? bars.map((bar, i) =>
              bar.family !== null && inner / bars.length > 9 ? (
                <text
                  key={bar.id}
                  x={(x(i) + x(i + 1)) / 2}
                  y={floor + 17}
                  textAnchor="middle"
                  fontSize="13.5"
                  fill="var(--color-ink-2)"
                >
                  {bar.family}
                </text>
              ) : null,
            )
          : null}
        {lit
          ? [lit.a, lit.b].map(([from, to]) => (
              <rect
                key={from}
                x={x(from)}
                y={tileTop - 4}
                width={x(to + 1) - x(from)}
                height={tallest + 6}
                fill="none"
                stroke="var(--color-leaf-deep)"
                strokeWidth="2.4"
                strokeDasharray={DASH[lit.kind]}
                pointerEvents="none"
              />
            ))
          : null}
        <line x1="0" x2={width} y1={lineY} y2={lineY} stroke="var(--color-rule-strong)" strokeWidth="1" />
        {jumpHeight > 0
          ? jumps.map((jump, i) => {
              const a = x(jump.from + 1) - 2;
              const b = x(jump.to) + 2;
              return (
                <g key={`${jump.from} ${jump.to} ${i}`} fill="none" stroke="var(--color-ink-3)" strokeWidth="1">
                  <path
                    d={`M${a} ${lineY + 2} v5 q0 4 ${b < a ? -4 : 4} 4 H${b + (b < a ? 4 : -4)} q${b < a ? -4 : 4} 0 ${b < a ? -4 : 4} -4 v-5`}
                  />
                  <path d={`M${b - 3} ${lineY + 6} l3 -4 l3 4`} />
                </g>
              );
            })
          : null}
        {bars.map((bar, i) => {
          const y = lineY;
          return (
            <g key={bar.id} stroke="var(--color-ink-2)" fill="var(--color-ink-2)">
              {bar.repeatStart ? (
                <>
                  <line x1={x(i) + 1} x2={x(i) + 1} y1={y - 5} y2={y + 5} strokeWidth="2" />
                  <circle cx={x(i) + 5} cy={y - 2.4} r="1" />
                  <circle cx={x(i) + 5} cy={y + 2.4} r="1" />
                </>
              ) : null}
              {bar.repeatEnd ? (
                <>
                  <line x1={x(i + 1) - 1} x2={x(i + 1) - 1} y1={y - 5} y2={y + 5} strokeWidth="2" />
                  <circle cx={x(i + 1) - 5} cy={y - 2.4} r="1" />
                  <circle cx={x(i + 1) - 5} cy={y + 2.4} r="1" />
                </>
              ) : null}
              {bar.doubleBar && !bar.repeatEnd ? (
                <path d={`M${x(i + 1) - 3} ${y - 5} v10 M${x(i + 1) - 0.5} ${y - 5} v10`} strokeWidth="1" />
              ) : null}
            </g>
          );
        })}
      </svg>
    </div>
  );
}
