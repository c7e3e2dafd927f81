import { useState, type PointerEvent, type ReactNode } from 'react';
import type { StripLayout } from './strip-layout';
import type { StripBracket } from './strip-parts';

type End = 'first' | 'last';

interface Pulled {
  readonly id: string;
  readonly end: End;
  readonly bar: number;
}

interface Props {
  readonly layout: StripLayout;
  readonly brackets: readonly StripBracket[];
  readonly chosen: string | null;
  readonly compact: boolean;
  readonly onBracket: ((id: string) => void) | undefined;
  readonly onMoveEnd: ((id: string, end: End, bar: number) => void) | undefined;
  readonly barUnder: (clientX: number) => number;
}

const LETTER_WIDTH = 11;
const NAME_LETTER_WIDTH = 7.6;
/** A bracket narrower than this is not dragged by its ends. */
const NARROW = 24;

/** Letter and name, with a gap in the bracket's line for them. */
function BracketName({
  bracket,
  left,
  right,
  y,
  chosen,
  compact,
}: {
  readonly bracket: StripBracket;
  readonly left: number;
  readonly right: number;
  readonly y: number;
  readonly chosen: boolean;
  readonly compact: boolean;
}): ReactNode {
  const { letter } = bracket;
  const fits = !compact && right - left > 40 + (letter.length + bracket.name.length + 1) * 8.2;
  const name = fits ? bracket.name : '';
  const half = (letter.length * LETTER_WIDTH + (name === '' ? 0 : name.length * NAME_LETTER_WIDTH + 8) + 14) / 2;
  const middle = (left + right) / 2;
  return (
    <>
      <path
        d={`M${left} ${y + 9} V${y} H${Math.max(left, middle - half)} M${Math.min(right, middle + half)} ${y} H${right} V${y + 9}`}
        fill="none"
        stroke={chosen ? 'var(--color-acorn)' : 'var(--color-leaf)'}
        strokeWidth={chosen ? 2.4 : 1.6}
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
        {letter}
        {name === '' ? null : (
          <tspan dx="6" fontSize="15" fontFamily="var(--font-text)" fontWeight="400" fill="var(--color-ink-2)">
            {name}
          </tspan>
        )}
      </text>
    </>
  );
}

/** The sections above the tiles; an accepted one is dragged by its ends. */
export function StripBrackets({ layout, brackets, chosen, compact, onBracket, onMoveEnd, barUnder }: Props): ReactNode {
  const [pulled, setPulled] = useState<Pulled | null>(null);
  const { x, laneHeight } = layout;
  const handle = (bracket: StripBracket, end: End) => ({
    onPointerDown: (e: PointerEvent) => {
      e.stopPropagation();
      (e.currentTarget as Element).setPointerCapture(e.pointerId);
      setPulled({ id: bracket.id, end, bar: end === 'first' ? bracket.from : bracket.to });
    },
    onPointerMove: (e: PointerEvent) => {
      if (pulled?.id === bracket.id && pulled.end === end) setPulled({ ...pulled, bar: barUnder(e.clientX) });
    },
    onPointerUp: () => {
      if (pulled) onMoveEnd?.(pulled.id, pulled.end, pulled.bar);
      setPulled(null);
    },
  });
  return (
    <>
      {brackets.map((bracket) => {
        const mine = pulled?.id === bracket.id ? pulled : null;
        const left = x(mine?.end === 'first' ? mine.bar : bracket.from) + 1.5;
        const right = x((mine?.end === 'last' ? mine.bar : bracket.to) + 1) - 1.5;
        const y = layout.bracketY(bracket.id);
        const box = { y: y - laneHeight / 2, height: laneHeight, fill: 'transparent' };
        return (
          <g
            key={bracket.id}
            onClick={() => onBracket?.(bracket.id)}
            style={{ cursor: onBracket ? 'pointer' : 'default' }}
          >
            <rect x={left} width={Math.max(1, right - left)} {...box} />
            <BracketName
              bracket={bracket}
              left={left}
              right={right}
              y={y}
              chosen={bracket.id === chosen}
              compact={compact}
            />
            {onMoveEnd && !bracket.proposed && right - left > NARROW
              ? (['first', 'last'] as const).map((end) => (
                  <rect
                    key={end}
                    x={end === 'first' ? left - 3 : right - 9}
                    width="12"
                    style={{ cursor: 'ew-resize' }}
                    {...box}
                    {...handle(bracket, end)}
                  />
                ))
              : null}
          </g>
        );
      })}
    </>
  );
}
