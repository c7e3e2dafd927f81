import type { ReactNode } from 'react';
import type { StripLayout } from './strip-layout';
import { DASH, type StripArc, type StripBar, type StripJump } from './strip-parts';

/** Letters of rhythm families under the tiles. */
export function StripFamilies({
  layout: { x, floor, showFamilies, familiesFit },
  bars,
}: {
  readonly layout: StripLayout;
  readonly bars: readonly StripBar[];
}): ReactNode {
  if (!showFamilies || !familiesFit) return null;
  return bars.map((bar, i) =>
    bar.family === null ? null : (
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
    ),
  );
}

/** Frames around the two places of the chosen arc. */
export function LitPlaces({
  layout: { x, tileTop, tallest },
  arc,
}: {
  readonly layout: StripLayout;
  readonly arc: StripArc | null;
}): ReactNode {
  if (!arc) return null;
  return [arc.a, arc.b].map(([from, to]) => (
    <rect
      key={from}
      x={x(from)}
      y={tileTop - 4}
      width={x(to + 1) - x(from)}
      height={tallest + 6}
      fill="none"
      stroke="var(--color-leaf-deep)"
      strokeWidth="2.4"
      strokeDasharray={DASH[arc.kind]}
      pointerEvents="none"
    />
  ));
}

function Jump({ layout: { x, lineY }, jump }: { readonly layout: StripLayout; readonly jump: StripJump }): ReactNode {
  const a = x(jump.from + 1) - 2;
  const b = x(jump.to) + 2;
  const turn = b < a ? -4 : 4;
  return (
    <g fill="none" stroke="var(--color-ink-3)" strokeWidth="1">
      <path d={`M${a} ${lineY + 2} v5 q0 4 ${turn} 4 H${b - turn} q${turn} 0 ${turn} -4 v-5`} />
      <path d={`M${b - 3} ${lineY + 6} l3 -4 l3 4`} />
    </g>
  );
}

function Repeat({ x, y, facing }: { readonly x: number; readonly y: number; readonly facing: 1 | -1 }): ReactNode {
  return (
    <>
      <line x1={x + facing} x2={x + facing} y1={y - 5} y2={y + 5} strokeWidth="2" />
      <circle cx={x + 5 * facing} cy={y - 2.4} r="1" />
      <circle cx={x + 5 * facing} cy={y + 2.4} r="1" />
    </>
  );
}

/** The line under the tiles with its repeats, double bars and the ways of the playing order. */
export function StripLine({
  layout,
  bars,
  jumps,
}: {
  readonly layout: StripLayout;
  readonly bars: readonly StripBar[];
  readonly jumps: readonly StripJump[];
}): ReactNode {
  const { x, lineY: y, width, showJumps } = layout;
  return (
    <>
      <line x1="0" x2={width} y1={y} y2={y} stroke="var(--color-rule-strong)" strokeWidth="1" />
      {showJumps
        ? jumps.map((jump, i) => <Jump key={`${jump.from} ${jump.to} ${i}`} layout={layout} jump={jump} />)
        : null}
      {bars.map((bar, i) => (
        <g key={bar.id} stroke="var(--color-ink-2)" fill="var(--color-ink-2)">
          {bar.repeatStart ? <Repeat x={x(i)} y={y} facing={1} /> : null}
          {bar.repeatEnd ? <Repeat x={x(i + 1)} y={y} facing={-1} /> : null}
          {bar.doubleBar && !bar.repeatEnd ? (
            <path d={`M${x(i + 1) - 3} ${y - 5} v10 M${x(i + 1) - 0.5} ${y - 5} v10`} strokeWidth="1" />
          ) : null}
        </g>
      ))}
    </>
  );
}
