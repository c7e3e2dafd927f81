import { memo, useId, useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { StripLayout } from './strip-layout';
import type { BarSpan, StripBar } from './strip-parts';
import { moveByKey, spanBetween } from './strip-selection';

interface Props {
  readonly layout: StripLayout;
  readonly bars: readonly StripBar[];
  readonly selection: BarSpan | null;
  readonly onSelect: (selection: BarSpan | null) => void;
  readonly barUnder: (clientX: number) => number;
}

/** Choosing bars by pointer and by key; with Shift up to there. */
function useSelecting({ bars, selection, onSelect, barUnder }: Props) {
  const anchor = useRef<number | null>(null);
  return {
    onPointerDown: (event: PointerEvent): void => {
      if (event.button !== 0) return;
      const bar = barUnder(event.clientX);
      if (event.shiftKey && selection) {
        onSelect(spanBetween(anchor.current ?? selection[0], bar));
        return;
      }
      anchor.current = bar;
      onSelect([bar, bar]);
      (event.currentTarget as Element).setPointerCapture?.(event.pointerId);
    },
    onPointerMove: (event: PointerEvent): void => {
      if (event.buttons !== 1 || anchor.current === null) return;
      const next = spanBetween(anchor.current, barUnder(event.clientX));
      if (selection?.[0] !== next[0] || selection[1] !== next[1]) onSelect(next);
    },
    onKeyDown: (event: KeyboardEvent): void => {
      const move = moveByKey(event.key, event.shiftKey, selection, anchor.current, bars.length - 1);
      if (!move) return;
      if (event.key !== 'Escape') event.preventDefault();
      anchor.current = move.anchor;
      onSelect(move.selection);
    },
  };
}

/** Bars that are paid for are washed; where that is asked the others stay grey. */
const fillOf = ({ paid, blank }: StripBar): string =>
  paid === undefined
    ? blank === 'whole'
      ? 'var(--color-sheet)'
      : 'var(--color-leaf-wash)'
    : paid
      ? 'color-mix(in srgb, var(--color-leaf) 40%, var(--color-sheet))'
      : 'var(--color-ground)';

/** What the tile of a bar says of it. */
const nameOfTile = ({ number, difficulty, corner, paid, blank }: StripBar): string =>
  [
    `bar ${number}`,
    blank === 'whole' ? 'nothing is written' : `difficulty ${difficulty.toFixed(1)}`,
    ...(blank === 'end' ? ['not written to its end'] : []),
    ...(corner ? ['corner'] : []),
    ...(paid ? ['known'] : []),
  ].join(', ');

interface TileProps {
  readonly id: string;
  readonly name: string;
  readonly chosen: boolean;
  /** Written into it; nothing where there is no room. */
  readonly number: string;
  readonly corner: boolean;
  readonly dashed: boolean;
  readonly fill: string;
  readonly left: number;
  readonly width: number;
  readonly height: number;
  readonly tileTop: number;
  readonly tallest: number;
  readonly floor: number;
}

/** One bar; of hundreds only those that change are drawn anew. */
const Tile = memo(function Tile({
  id,
  name,
  chosen,
  number,
  corner,
  dashed,
  fill,
  left,
  width,
  height,
  tileTop,
  tallest,
  floor,
}: TileProps): ReactNode {
  return (
    <g role="option" id={id} aria-selected={chosen} aria-label={name}>
      <rect x={left} y={tileTop} width={width} height={tallest} fill="transparent" />
      <rect
        x={left}
        y={floor - height}
        width={width}
        height={height}
        fill={fill}
        stroke={chosen ? 'var(--color-acorn)' : 'var(--color-rule-strong)'}
        strokeWidth={chosen ? 1.6 : 0.8}
        strokeDasharray={dashed ? '3 3' : undefined}
      />
      {corner ? (
        <path d={`M${left + width / 2 - 5} ${floor - height - 3} l5 -5 l5 5 z`} fill="var(--color-warn)" />
      ) : null}
      {number === '' ? null : (
        <text
          x={left + width / 2}
          y={floor - 5}
          textAnchor="middle"
          fontSize="13.5"
          fontFamily="var(--font-figure)"
          fill="var(--color-ink)"
        >
          {number}
        </text>
      )}
    </g>
  );
});

/** Longer numbers do not fit into a tile. */
const LONGEST_NUMBER = 4;

/** The bars as tiles, chosen by dragging, clicking or the arrow keys. */
export function StripTiles(props: Props): ReactNode {
  const { layout, bars, selection } = props;
  const base = useId();
  const selecting = useSelecting(props);
  const isChosen = (i: number): boolean => selection !== null && i >= selection[0] && i <= selection[1];
  const hasNumber = (i: number, width: number): boolean =>
    layout.showNumbers && (i % layout.perNumber === 0 || (selection?.[0] === i && width > 14));
  return (
    <g
      role="listbox"
      aria-label="Bars of the piece"
      aria-multiselectable="true"
      aria-activedescendant={selection ? `${base}-${selection[1]}` : undefined}
      tabIndex={0}
      {...selecting}
      className="focus:outline-none [&:focus-visible_.strip-focus]:stroke-leaf [&:focus-visible_.strip-focus]:stroke-[3]"
    >
      <rect
        className="strip-focus"
        x="0"
        y={layout.tileTop - 6}
        width={Math.max(1, layout.width)}
        height={layout.tallest + 8}
        fill="transparent"
        stroke="transparent"
        rx="3"
      />
      {bars.map((bar, i) => {
        const left = layout.x(i);
        const width = Math.max(1, layout.x(i + 1) - left - layout.tileGap);
        const isNumbered = bar.number.length <= LONGEST_NUMBER && hasNumber(i, width);
        return (
          <Tile
            key={bar.id}
            id={`${base}-${i}`}
            name={nameOfTile(bar)}
            chosen={isChosen(i)}
            number={isNumbered ? bar.number : ''}
            corner={bar.corner}
            dashed={Boolean(bar.blank)}
            fill={isChosen(i) ? 'var(--color-acorn-wash)' : fillOf(bar)}
            left={left}
            width={width}
            height={layout.tileHeight(bar.difficulty)}
            tileTop={layout.tileTop}
            tallest={layout.tallest}
            floor={layout.floor}
          />
        );
      })}
    </g>
  );
}
