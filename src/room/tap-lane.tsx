import type { ReactNode } from 'react';
import type { TapJudgement, TapVerdict } from '@/core/tapping';

const WIDTH = 1000;
const HEIGHT = 84;
const MIDDLE = 28;
/** Where the counts stand. */
const BELOW = 76;
/** How far a tap that is a tolerance and more off is drawn from the line. */
const OFF = 14;

/** In which way a note is told from the others without colour: where it stands, and its shape. */
const DRAWN: Readonly<Record<TapVerdict, { readonly y: number; readonly fill: string }>> = {
  right: { y: MIDDLE, fill: 'var(--color-leaf)' },
  early: { y: MIDDLE - OFF, fill: 'var(--color-acorn)' },
  late: { y: MIDDLE + OFF, fill: 'var(--color-acorn)' },
  missed: { y: MIDDLE, fill: 'none' },
};

/** The taps along the music: in time on the line, early above it, late below, an open ring missed; then the count. */
export function TapLane({
  judgement,
  countOf,
}: {
  readonly judgement: TapJudgement;
  readonly countOf: (noteId: string) => string | null;
}): ReactNode {
  const { notes } = judgement;
  const first = notes[0]?.at ?? 0;
  const span = Math.max(0.001, (notes[notes.length - 1]?.at ?? 0) - first);
  const x = (at: number): number => 20 + ((at - first) / span) * (WIDTH - 40);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full max-w-3xl" aria-hidden="true">
      <path d={`M0 ${MIDDLE}H${WIDTH}`} stroke="var(--color-rule-strong)" strokeWidth="2" />
      {notes.map((n) => {
        const { y, fill } = DRAWN[n.verdict];
        return (
          <g key={`${n.noteId} ${n.at}`}>
            <circle cx={x(n.at)} cy={y} r="8" fill={fill} stroke="var(--color-ink)" strokeWidth="2" />
            <text x={x(n.at)} y={BELOW} fontSize="22" textAnchor="middle" fill="var(--color-ink)">
              {(countOf(n.noteId) ?? '').split(' ').pop()}
            </text>
          </g>
        );
      })}
      {judgement.extra.map((at) => (
        <path key={at} d={`M${x(at) - 6} ${MIDDLE - 6}l12 12m0-12l-12 12`} stroke="var(--color-ink)" strokeWidth="3" />
      ))}
    </svg>
  );
}
