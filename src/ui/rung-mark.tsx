import type { ReactNode } from 'react';
import type { Level } from '@/core/studio';
import { LEVEL_NAMES } from '@/core/mastery';

interface Props {
  readonly level: Level;
  /** Due for a check: a dashed frame. */
  readonly due?: boolean;
  /** The teacher chose another level than the one proposed: a small notch. */
  readonly overruled?: boolean;
  readonly size?: 'small' | 'large';
  /** Leave the digit out where it stands elsewhere. */
  readonly bare?: boolean;
}

const FILL = [
  '',
  'var(--color-level-2)',
  'var(--color-level-3)',
  'var(--color-level-3)',
  'var(--color-level-4)',
  'var(--color-level-5)',
] as const;

/**
 * A small ladder of five rungs, filled from the bottom to the level, with the digit beside it. Readable without colour.
 */
export function RungMark({ level, due = false, overruled = false, size = 'small', bare = false }: Props): ReactNode {
  const height = size === 'large' ? 40 : 30;
  const says = [
    `level ${level}, ${LEVEL_NAMES[level]}`,
    due ? 'due for a check' : '',
    overruled ? 'set against the proposal' : '',
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <span className="inline-flex items-center gap-2 whitespace-nowrap" role="img" aria-label={says}>
      {bare ? null : (
        <span className={`figure font-semibold ${size === 'large' ? 'text-xl' : 'text-lg'}`}>{level}</span>
      )}
      <svg width={(height * 26) / 30} height={height} viewBox="0 0 26 30" aria-hidden="true">
        {due ? (
          <rect
            x="1"
            y="0.75"
            width="20"
            height="28.5"
            rx="2"
            fill="none"
            stroke="var(--color-warn)"
            strokeWidth="1.5"
            strokeDasharray="3 2"
          />
        ) : null}
        {[0, 1, 2, 3, 4].map((rung) => {
          const y = 23 - rung * 5;
          const filled = rung < level;
          return filled ? (
            <rect key={rung} x="6" y={y - 1.6} width="10" height="3.8" fill={FILL[level]} />
          ) : (
            <line
              key={rung}
              x1="6"
              x2="16"
              y1={y + 0.3}
              y2={y + 0.3}
              stroke="var(--color-rule-strong)"
              strokeWidth="0.8"
            />
          );
        })}
        <line x1="5.2" x2="5.2" y1="2.5" y2="27.5" stroke="var(--color-ink)" strokeWidth="1.8" />
        <line x1="16.8" x2="16.8" y1="2.5" y2="27.5" stroke="var(--color-ink)" strokeWidth="1.8" />
        {overruled ? <path d="M19 10 l5 3.2 l-5 3.2 z" fill="var(--color-plum)" /> : null}
      </svg>
    </span>
  );
}
