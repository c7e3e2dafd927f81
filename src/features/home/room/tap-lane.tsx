import type { ReactNode } from 'react';
import type { TapJudgement, TapVerdict } from '@/core/tapping';

const WIDTH = 1000;
const HEIGHT = 56;
const MIDDLE = HEIGHT / 2;
/** How far a tap that is a tolerance and more off is drawn from the line. */
const OFF = 14;

/** In which way a note is told from the others without colour: where it stands, and its shape. */
const DRAWN: Readonly<Record<TapVerdict, { readonly y: number; readonly fill: string }>> = {
  right: { y: MIDDLE, fill: 'var(--color-leaf)' },
  early: { y: MIDDLE - OFF, fill: 'var(--color-acorn)' },
  late: { y: MIDDLE + OFF, fill: 'var(--color-acorn)' },
  missed: { y: MIDDLE, fill: 'none' },
};

/** The taps along the music: on the line in time, above it early, below it late, an open ring missed. */
export function TapLane({ judgement }: { readonly judgement: TapJudgement }): ReactNode {
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
          <circle key={n.noteId} cx={x(n.at)} cy={y} r="8" fill={fill} stroke="var(--color-ink)" strokeWidth="2" />
        );
      })}
      {judgement.extra.map((at) => (
        <path key={at} d={`M${x(at) - 6} ${MIDDLE - 6}l12 12m0-12l-12 12`} stroke="var(--color-ink)" strokeWidth="3" />
      ))}
    </svg>
  );
}
