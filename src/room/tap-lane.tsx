import type { ReactNode } from 'react';
import type { JudgedNote, TapJudgement, TapVerdict } from '@/core/tapping';

/** Pixels: of a note, beside the outer ones, from the top. */
const PER_NOTE = 38;
const BESIDE = 18;
const HEIGHT = 78;
const MIDDLE = 26;
/** Where the counts stand. */
const BELOW = 70;
/** How far a tap that is a tolerance and more off is drawn from the line. */
const OFF = 14;

/** In which way a note is told from the others without colour: where it stands, and its shape. */
const DRAWN: Readonly<Record<TapVerdict, { readonly y: number; readonly fill: string }>> = {
  right: { y: MIDDLE, fill: 'var(--color-leaf)' },
  early: { y: MIDDLE - OFF, fill: 'var(--color-acorn)' },
  late: { y: MIDDLE + OFF, fill: 'var(--color-acorn)' },
  missed: { y: MIDDLE, fill: 'none' },
};

/** The notes of one bar, and the taps too many that fall into it. */
interface TappedBar {
  readonly bar: number;
  readonly notes: readonly JudgedNote[];
  readonly extra: readonly number[];
}

function tappedBars({ notes, extra }: TapJudgement): readonly TappedBar[] {
  const bars: { bar: number; notes: JudgedNote[] }[] = [];
  for (const note of notes) {
    const last = bars[bars.length - 1];
    if (last?.bar === note.bar) last.notes.push(note);
    else bars.push({ bar: note.bar, notes: [note] });
  }
  return bars.map(({ bar, notes: own }, i) => {
    const from = i === 0 ? -Infinity : (own[0]?.at ?? 0);
    const to = bars[i + 1]?.notes[0]?.at ?? Infinity;
    return { bar, notes: own, extra: extra.filter((at) => at >= from && at < to) };
  });
}

function OneBar({
  tapped: { notes, extra },
  countOf,
}: {
  readonly tapped: TappedBar;
  readonly countOf: (noteId: string) => string | null;
}): ReactNode {
  const width = (notes.length - 1) * PER_NOTE + 2 * BESIDE;
  const first = notes[0]?.at ?? 0;
  const span = Math.max(0.001, (notes[notes.length - 1]?.at ?? 0) - first);
  const inside = (x: number): number => Math.max(6, Math.min(width - 6, x));
  const x = (at: number): number => inside(BESIDE + ((at - first) / span) * (width - 2 * BESIDE));
  return (
    <svg width={width} height={HEIGHT} className="border-l border-ink-3">
      <path d={`M0 ${MIDDLE}H${width}`} stroke="var(--color-rule-strong)" strokeWidth="2" />
      {notes.map((n) => {
        const { y, fill } = DRAWN[n.verdict];
        return (
          <g key={`${n.noteId} ${n.at}`}>
            <circle cx={x(n.at)} cy={y} r="8" fill={fill} stroke="var(--color-ink)" strokeWidth="2" />
            <text x={x(n.at)} y={BELOW} fontSize="18" textAnchor="middle" fill="var(--color-ink)">
              {(countOf(n.noteId) ?? '').split(' ').pop()}
            </text>
          </g>
        );
      })}
      {extra.map((at) => (
        <path key={at} d={`M${x(at) - 5} ${MIDDLE - 5}l10 10m0-10l-10 10`} stroke="var(--color-ink)" strokeWidth="3" />
      ))}
    </svg>
  );
}

/** The taps bar by bar: in time on the line, early above it, late below, an open ring missed; then the count. */
export function TapLane({
  judgement,
  countOf,
}: {
  readonly judgement: TapJudgement;
  readonly countOf: (noteId: string) => string | null;
}): ReactNode {
  return (
    <div className="flex flex-wrap" aria-hidden="true">
      {tappedBars(judgement).map((tapped) => (
        <OneBar key={`${tapped.bar} ${tapped.notes[0]?.at ?? 0}`} tapped={tapped} countOf={countOf} />
      ))}
    </div>
  );
}
