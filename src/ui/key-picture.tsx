import type { ReactNode } from 'react';
import type { LaneText } from './mark-lanes';
import type { LineLayout } from './line-layout';

interface Parts {
  readonly pressed: ReadonlySet<string>;
  readonly half: boolean;
  /** Thumb, register and little-finger keys, as short words. */
  readonly extras: readonly string[];
}

/** Takes keys such as `T 123|45 E♭ right` apart: the six fingers, the thumb, and what else is down. */
function partsOf(keys: string): Parts {
  const pressed = new Set<string>();
  const extras: string[] = [];
  for (const token of keys.replace(/\|/g, ' ').split(/\s+/)) {
    if (/^[½0]?[1-7]+$/.test(token)) for (const d of token) pressed.add(d);
    else if (token === 'T') pressed.add('T');
    else if (token !== '' && token !== 'right') extras.push(token);
  }
  return { pressed, half: keys.includes('½'), extras };
}

/** Valves and slide positions are numbers already; holes and keys are drawn. */
export const isValveText = (keys: string): boolean => /^T?[0-4]{1,3}$|^[1-7]$/.test(keys) && keys !== '0123';

/** Six holes in two hands, the thumb at the side, other keys in words below: full is down. */
export function KeyPicture({
  keys,
  size = 11,
  colour,
}: {
  readonly keys: string;
  readonly size?: number;
  readonly colour: string;
}): ReactNode {
  const { pressed, half, extras } = partsOf(keys);
  const gap = size * 1.1;
  const r = size * 0.42;
  const y = (i: number): number => r + 1 + i * gap + (i > 2 ? size * 0.5 : 0);
  const height = y(5) + r + 2;
  const thumbDown = pressed.has('T') || pressed.has('0') || half;
  return (
    <span className="inline-flex flex-col items-center leading-none">
      <svg width={size * 2.4} height={height} viewBox={`0 0 ${size * 2.4} ${height}`} aria-hidden="true">
        {thumbDown || /T/.test(keys) ? (
          <circle
            cx={size * 0.5}
            cy={y(0)}
            r={r * 0.8}
            fill={thumbDown ? (half ? 'none' : colour) : 'none'}
            stroke={colour}
            strokeWidth="1.3"
            strokeDasharray={half ? '2 1.5' : ''}
          />
        ) : null}
        {['1', '2', '3', '4', '5', '6'].map((d, i) => (
          <circle
            key={d}
            cx={size * 1.5}
            cy={y(i)}
            r={r}
            fill={pressed.has(d) ? colour : 'none'}
            stroke={colour}
            strokeWidth="1.3"
          />
        ))}
        <line
          x1={size * 1.05}
          x2={size * 1.95}
          y1={(y(2) + y(3)) / 2}
          y2={(y(2) + y(3)) / 2}
          stroke={colour}
          strokeWidth="1"
        />
        {pressed.has('7') ? <circle cx={size * 2.1} cy={y(5)} r={r * 0.6} fill={colour} /> : null}
      </svg>
      <span className="text-[0.8125rem]">{extras.join(' ')}</span>
    </span>
  );
}

interface KeyLaneProps {
  readonly layout: LineLayout;
  readonly texts: readonly LaneText[];
  readonly onPick: (noteId: string) => void;
}

const COLOUR: Readonly<Record<LaneText['source'], string>> = {
  printed: 'var(--color-ink)',
  editor: 'var(--color-editor)',
  teacher: 'var(--color-plum)',
  suggested: 'var(--color-ink-3)',
};

/** The keys of a wind instrument over its notes; proposals stand in dashed frames. */
export function KeyLane({ layout, texts, onPick }: KeyLaneProps): ReactNode {
  return (
    <div className="relative" style={{ height: 112 }} role="group" aria-label="Keys">
      <span className="absolute -left-24 top-1.5 w-20 text-sm font-semibold text-ink-2">Keys</span>
      {texts.flatMap((t) => {
        const at = layout.notes.get(t.noteId);
        if (!at) return [];
        return (
          <button
            key={t.noteId}
            type="button"
            tabIndex={-1}
            aria-label={t.text}
            className={`absolute bottom-1 -translate-x-1/2 rounded px-0.5 pb-0.5 pt-1 text-ink-2 ${t.chosen ? 'outline-2 outline-acorn' : ''} ${t.source === 'suggested' ? 'border border-dashed border-ink-3' : ''}`}
            style={{ left: at.x }}
            onClick={() => onPick(t.noteId)}
          >
            <KeyPicture keys={t.text} colour={COLOUR[t.source]} />
          </button>
        );
      })}
    </div>
  );
}
