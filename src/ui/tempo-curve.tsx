import type { ReactNode } from 'react';

interface Props {
  readonly steps: readonly number[];
  readonly target: number;
}

const WIDTH = 250;
const HEIGHT = 90;

/** Tempo steps as a small stair, the target as a dashed line. */
export function TempoCurve({ steps, target }: Props): ReactNode {
  const low = Math.min(...steps, target) - 4;
  const high = Math.max(...steps, target) + 4;
  const y = (tempo: number): number => HEIGHT - 18 - ((tempo - low) / Math.max(1, high - low)) * (HEIGHT - 34);
  const wide = (WIDTH - 40) / Math.max(1, steps.length);
  const path = steps.map((s, i) => `${i === 0 ? 'M' : 'V'}${i === 0 ? `0 ${y(s)}` : y(s)} h${wide}`).join(' ');
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full"
      role="img"
      aria-label={`Tempos ${steps.join(', ')}; target ${target}`}
    >
      <line
        x1="0"
        x2={WIDTH - 36}
        y1={y(target)}
        y2={y(target)}
        stroke="var(--color-rule-strong)"
        strokeDasharray="4 3"
      />
      <text x={WIDTH - 32} y={y(target) + 5} fontSize="15" fill="var(--color-ink-2)" fontFamily="var(--font-figure)">
        {target}
      </text>
      <path d={path} fill="none" stroke="var(--color-leaf-deep)" strokeWidth="2.5" />
      <text x="0" y={HEIGHT - 2} fontSize="15" fill="var(--color-ink-2)" fontFamily="var(--font-figure)">
        {steps[0]}
      </text>
      <text
        x={WIDTH - 40}
        y={HEIGHT - 2}
        fontSize="15"
        textAnchor="end"
        fill="var(--color-ink-2)"
        fontFamily="var(--font-figure)"
      >
        {steps[steps.length - 1]}
      </text>
    </svg>
  );
}
