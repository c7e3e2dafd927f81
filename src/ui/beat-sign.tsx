import type { ReactNode } from 'react';

/** What is drawn of a beat: open or filled, with how many dots. */
const DRAWN: Readonly<Record<string, { readonly open: boolean; readonly dots: number; readonly stem: boolean }>> = {
  quarter: { open: false, dots: 0, stem: true },
  'dotted quarter': { open: false, dots: 1, stem: true },
  half: { open: true, dots: 0, stem: true },
  'dotted half': { open: true, dots: 1, stem: true },
  whole: { open: true, dots: 0, stem: false },
};

/** The note that a tempo counts, where it is not the quarter; nothing for quarters, which need not be said. */
export function BeatSign({ unit }: { readonly unit: { readonly name: string } }): ReactNode {
  const drawn = DRAWN[unit.name];
  if (!drawn || unit.name === 'quarter') return null;
  return (
    <svg
      role="img"
      aria-label={`in ${unit.name}s`}
      width="15"
      height="20"
      viewBox="0 0 15 20"
      className="inline-block align-text-bottom"
    >
      <ellipse
        cx="5"
        cy="16"
        rx="4"
        ry="2.9"
        transform="rotate(-22 5 16)"
        fill={drawn.open ? 'none' : 'currentColor'}
        stroke="currentColor"
        strokeWidth="1.4"
      />
      {drawn.stem ? <path d="M8.8 14.8V1" stroke="currentColor" strokeWidth="1.4" /> : null}
      {drawn.dots > 0 ? <circle cx="12.6" cy="16.4" r="1.3" fill="currentColor" /> : null}
    </svg>
  );
}
