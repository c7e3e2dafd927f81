import type { ReactNode } from 'react';
import type { LineLayout } from './line-layout';
import { rowsApart, staggered, textWidth } from './stagger';

/** Who a mark comes from; the four never look alike. */
export type MarkSource = 'printed' | 'editor' | 'teacher' | 'suggested';

/** A short text of a lane, standing under or over a note. */
export interface LaneText {
  readonly noteId: string;
  readonly text: string;
  readonly source: MarkSource;
  /** Held or silent: drawn in brackets and lighter. */
  readonly silent?: boolean;
  /** Row inside the lane, 0 at the top, for chords. */
  readonly row?: number;
  readonly chosen?: boolean;
}

const LOOK: Readonly<Record<MarkSource, string>> = {
  printed: 'text-ink font-semibold',
  editor: 'text-editor italic',
  teacher: 'text-plum font-bold',
  suggested: 'text-ink-2 border border-dashed border-ink-3 rounded px-1',
};

interface TextLaneProps {
  readonly name: string;
  readonly layout: LineLayout;
  readonly texts: readonly LaneText[];
  readonly rows?: number;
  readonly onPick?: (noteId: string) => void;
  /** What is said of a text to who cannot see where it stands. */
  readonly nameOf?: (text: LaneText) => string;
  readonly large?: boolean;
  /** A rule above the lane. */
  readonly ruled?: boolean;
  /** Its name is not written beside it. */
  readonly bare?: boolean;
  /** Its texts are followed while the music sounds: each can be found by its note. */
  readonly followed?: boolean;
  /** Close to the music and small, as on paper. */
  readonly dense?: boolean;
}

/** Pixels of a row, above the first and below the last. */
const ROW = { usual: 26, dense: 18 } as const;
const AROUND = { usual: 10, dense: 2 } as const;
/** Letters of what is a sign, not a word. */
const SIGN = 3;
/** What an outline adds to a text. */
const BOX = 10;

/** Braces stand so far to the left of the first staff. */
const BEFORE = 12;

/** The middle of a text over a note: words that would go over an edge are moved until they end with it. */
function insideX(x: number, text: string, width: number): number {
  if (text.length <= SIGN) return x;
  const half = textWidth(text) / 2;
  return Math.max(half - BEFORE, Math.min(x, width - half));
}

/** Texts aligned with the note heads of one engraved line. */
export function TextLane({
  name,
  layout,
  texts,
  rows = 1,
  onPick,
  nameOf,
  large = false,
  ruled = true,
  bare = false,
  followed = false,
  dense = false,
}: TextLaneProps): ReactNode {
  const here = texts.filter((t) => layout.notes.has(t.noteId));
  const room = dense ? 'dense' : 'usual';
  // Words that would cover one another stand in rows of their own; fingers and signs keep theirs.
  const isWords = rows === 1 && here.some((t) => t.text.length > SIGN);
  const levels = isWords
    ? staggered(
        here.map((t) => ({
          x: insideX(layout.notes.get(t.noteId)?.x ?? 0, t.text, layout.width),
          width: textWidth(t.text) + BOX,
        })),
      )
    : rowsApart(here.map((t) => ({ x: layout.notes.get(t.noteId)?.x ?? 0, row: t.row ?? 0 })));
  return (
    <div
      className={`relative ${ruled ? 'border-t border-rule' : ''}`}
      style={{ height: Math.max(rows, ...levels.map((l) => l + 1)) * ROW[room] + AROUND[room] }}
      role="group"
      aria-label={name}
    >
      {bare ? null : <span className="absolute -left-24 top-1.5 w-20 text-sm font-semibold text-ink-2">{name}</span>}
      {here.map((t, i) => {
        const at = layout.notes.get(t.noteId);
        const body = t.silent ? `(${t.text})` : t.text;
        const look = `absolute -translate-x-1/2 whitespace-nowrap ${dense ? 'leading-[18px]' : 'leading-6'} ${large ? 'text-lg' : dense ? 'text-sm' : 'text-base'} ${t.silent ? 'text-ink-3' : LOOK[t.source]} ${t.chosen ? 'rounded outline-2 outline-acorn px-1.5' : ''}`;
        const style = {
          left: insideX(at?.x ?? 0, t.text, layout.width),
          top: AROUND[room] / 2 + (levels[i] ?? 0) * ROW[room],
        };
        return onPick ? (
          <button
            key={`${t.noteId} ${t.row ?? 0} ${t.text}`}
            type="button"
            tabIndex={-1}
            aria-label={nameOf?.(t)}
            className={`${large || t.text.length <= 3 ? 'figure' : ''} ${look}`}
            style={style}
            onClick={() => onPick(t.noteId)}
          >
            {body}
          </button>
        ) : (
          <span
            key={`${t.noteId} ${t.row ?? 0} ${t.text}`}
            className={look}
            style={style}
            {...(followed ? { 'data-said': t.noteId } : {})}
          >
            {body}
          </span>
        );
      })}
    </div>
  );
}

const LEVELS = ['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff'] as const;
export type DynamicLevel = (typeof LEVELS)[number];

export interface CurvePoint {
  readonly noteId: string;
  readonly level: DynamicLevel;
  readonly source: MarkSource;
}

interface CurveLaneProps {
  readonly name: string;
  readonly layout: LineLayout;
  readonly points: readonly CurvePoint[];
  /** Level in force when the line begins. */
  readonly before: CurvePoint | null;
}

const COLOURS: Readonly<Record<MarkSource, string>> = {
  teacher: 'var(--color-plum)',
  editor: 'var(--color-editor)',
  printed: 'var(--color-ink)',
  suggested: 'var(--color-ink)',
};

type PlacedPoint = CurvePoint & { readonly x: number };

/** One level from its note to the next, or to the end of the line; `said` writes its name. */
function Step({
  step,
  next,
  end,
  y,
  said,
}: {
  readonly step: PlacedPoint;
  readonly next: PlacedPoint | null;
  readonly end: number;
  readonly y: (level: DynamicLevel) => number;
  readonly said: boolean;
}): ReactNode {
  const colour = COLOURS[step.source];
  const at = y(step.level);
  return (
    <g>
      <path
        d={`M${step.x} ${at} H${next?.x ?? end}${next ? ` V${y(next.level)}` : ''}`}
        fill="none"
        stroke={colour}
        strokeWidth="2.2"
        strokeDasharray={step.source === 'suggested' ? '5 4' : ''}
      />
      {said ? (
        <>
          <circle cx={step.x} cy={at} r="3.5" fill={colour} />
          <text x={step.x + 8} y={at - 6} fontSize="14" fontStyle="italic" fontWeight="600" fill={colour}>
            {step.level}
          </text>
        </>
      ) : null}
    </g>
  );
}

/** Levels as steps over one engraved line; nothing is drawn where nothing is marked. */
export function CurveLane({ name, layout, points, before }: CurveLaneProps): ReactNode {
  const height = 74;
  const y = (level: DynamicLevel): number =>
    height - 10 - ((LEVELS.indexOf(level) + 0.5) / LEVELS.length) * (height - 20);
  const here = points
    .flatMap((p) => {
      const at = layout.notes.get(p.noteId);
      return at ? [{ ...p, x: at.x }] : [];
    })
    .sort((a, b) => a.x - b.x);
  const firstBar = Math.min(...[...layout.bars.values()].map((b) => b.x), layout.width);
  const steps = [...(before ? [{ ...before, x: firstBar }] : []), ...here];
  return (
    <div
      className="relative border-t border-rule"
      style={{ height }}
      role="group"
      aria-label={`${name}: ${here.map((p) => p.level).join(', ') || 'nothing marked here'}`}
    >
      <span className="absolute -left-24 top-1.5 w-20 text-sm font-semibold text-ink-2">{name}</span>
      <svg width={layout.width} height={height} className="absolute inset-0 overflow-visible" aria-hidden="true">
        {(['p', 'mp', 'mf', 'f'] as const).map((level) => (
          <g key={level}>
            <line
              x1={firstBar}
              x2={layout.width}
              y1={y(level)}
              y2={y(level)}
              stroke="var(--color-rule)"
              strokeWidth="0.6"
            />
            {level === 'p' || level === 'f' ? (
              <text
                x={firstBar - 6}
                y={y(level) + 4}
                textAnchor="end"
                fontSize="14"
                fontStyle="italic"
                fontWeight="600"
                fill="var(--color-ink-2)"
              >
                {level}
              </text>
            ) : null}
          </g>
        ))}
        {steps.map((step, i) => (
          <Step
            key={`${step.noteId} ${step.x}`}
            step={step}
            next={steps[i + 1] ?? null}
            end={layout.width}
            y={y}
            said={step !== steps[0] || before === null}
          />
        ))}
      </svg>
    </div>
  );
}
