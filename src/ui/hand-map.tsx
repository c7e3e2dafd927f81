import type { ReactNode } from 'react';
import { isValveText, KeyPicture } from './key-picture';

/** Where a section starts, on the instrument. */
export type HandMapDrawing =
  | {
      readonly kind: 'keyboard';
      readonly keys: readonly { readonly midi: number; readonly finger: string; readonly hand: 'right' | 'left' }[];
    }
  | {
      readonly kind: 'strings';
      readonly names: readonly string[];
      readonly stops: readonly { readonly string: number; readonly fret: number; readonly finger: string }[];
    }
  | { readonly kind: 'keys'; readonly text: string };

const BLACK = new Set([1, 3, 6, 8, 10]);
const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

function Keyboard({ keys }: { readonly keys: Extract<HandMapDrawing, { kind: 'keyboard' }>['keys'] }): ReactNode {
  const low = Math.floor((Math.min(...keys.map((k) => k.midi), 60) - 2) / 12) * 12;
  const high = Math.ceil((Math.max(...keys.map((k) => k.midi), 64) + 3) / 12) * 12;
  const whites = Array.from({ length: high - low }, (_, i) => low + i).filter((k) => !BLACK.has(k % 12));
  const w = 100 / whites.length;
  const x = (midi: number): number =>
    BLACK.has(midi % 12) ? (whites.indexOf(midi - 1) + 1) * w - w * 0.32 : whites.indexOf(midi) * w;
  const mark = (k: (typeof keys)[number]): ReactNode => {
    const black = BLACK.has(k.midi % 12);
    const cx = x(k.midi) + (black ? w * 0.32 : w / 2);
    // Where both hands begin on one key, the right one stands above the left one.
    const shared = k.hand === 'right' && keys.some((other) => other.midi === k.midi && other.hand === 'left');
    const cy = (black ? 13 : 26) - (shared ? 7.5 : 0);
    return (
      <g key={`${k.hand} ${k.midi}`}>
        <circle cx={cx} cy={cy} r="3.4" fill={k.hand === 'right' ? 'var(--color-plum)' : 'var(--color-leaf)'} />
        <text x={cx} y={cy + 1.6} textAnchor="middle" fontSize="4.6" fontWeight="700" fill="#fff">
          {k.finger}
        </text>
      </g>
    );
  };
  return (
    <svg viewBox="0 0 100 32" className="w-full" aria-hidden="true">
      {whites.map((k) => (
        <rect
          key={k}
          x={x(k)}
          y="0.4"
          width={w}
          height="31"
          fill="#fff"
          stroke="var(--color-rule-strong)"
          strokeWidth="0.4"
        />
      ))}
      {Array.from({ length: high - low }, (_, i) => low + i)
        .filter((k) => BLACK.has(k % 12) && whites.includes(k - 1))
        .map((k) => (
          <rect key={k} x={x(k)} y="0.4" width={w * 0.64} height="19" fill="var(--color-ink)" />
        ))}
      {keys.map(mark)}
    </svg>
  );
}

function Strings({ names, stops }: Pick<Extract<HandMapDrawing, { kind: 'strings' }>, 'names' | 'stops'>): ReactNode {
  const frets = Math.max(4, ...stops.map((s) => s.fret + 1));
  const gap = 10;
  const y = (string: number): number => 6 + (string - 1) * gap;
  return (
    <svg viewBox={`0 0 100 ${names.length * gap + 6}`} className="w-full" aria-hidden="true">
      {names.map((name, i) => (
        <g key={i}>
          <text x="1" y={y(i + 1) + 1.8} fontSize="5" fill="var(--color-ink-2)">
            {name}
          </text>
          <line x1="10" x2="99" y1={y(i + 1)} y2={y(i + 1)} stroke="var(--color-ink)" strokeWidth={0.4 + i * 0.15} />
        </g>
      ))}
      {Array.from({ length: frets + 1 }, (_, f) => (
        <line
          key={f}
          x1={10 + (f * 89) / frets}
          x2={10 + (f * 89) / frets}
          y1={y(1)}
          y2={y(names.length)}
          stroke="var(--color-rule-strong)"
          strokeWidth={f === 0 ? 1.2 : 0.4}
        />
      ))}
      {stops.map((s) => {
        const cx = s.fret === 0 ? 12 : 10 + ((s.fret - 0.5) * 89) / frets;
        return (
          <g key={`${s.string} ${s.fret}`}>
            <circle
              cx={cx}
              cy={y(s.string)}
              r="3.6"
              fill={s.fret === 0 ? 'var(--color-sheet)' : 'var(--color-plum)'}
              stroke="var(--color-plum)"
              strokeWidth="0.8"
            />
            <text
              x={cx}
              y={y(s.string) + 1.7}
              textAnchor="middle"
              fontSize="4.8"
              fontWeight="700"
              fill={s.fret === 0 ? 'var(--color-plum)' : '#fff'}
            >
              {s.finger}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** Holes and keys in a row: left hand, a bar, right hand; pressed ones are full. */
function Keys({ text }: { readonly text: string }): ReactNode {
  return (
    <p className="figure text-center text-2xl font-semibold tracking-wide">
      {isValveText(text) ? text : <KeyPicture keys={text} size={18} colour="var(--color-ink)" />}
    </p>
  );
}

const says = (drawing: HandMapDrawing): string => {
  switch (drawing.kind) {
    case 'keyboard':
      return drawing.keys.map((k) => `${k.hand} hand ${NAMES[k.midi % 12] ?? ''} with finger ${k.finger}`).join(', ');
    case 'strings':
      return drawing.stops
        .map((s) => `string ${s.string}, ${s.fret === 0 ? 'open' : `place ${s.fret}, finger ${s.finger}`}`)
        .join(', ');
    case 'keys':
      return drawing.text;
  }
};

/**
 * The start of a section drawn on its instrument, for finding the place, taking the hands away and finding it again.
 */
export function HandMap({ drawing }: { readonly drawing: HandMapDrawing }): ReactNode {
  return (
    <div role="img" aria-label={`Starts with ${says(drawing)}`}>
      {drawing.kind === 'keyboard' ? (
        <Keyboard keys={drawing.keys} />
      ) : drawing.kind === 'strings' ? (
        <Strings names={drawing.names} stops={drawing.stops} />
      ) : (
        <Keys text={drawing.text} />
      )}
    </div>
  );
}
