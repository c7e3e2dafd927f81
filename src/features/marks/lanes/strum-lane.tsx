import { xOfOnset } from '@/marked';
import type { ReactNode } from 'react';
import type { LineLayout } from '@/ui';
import { patternsOf, strokesOf } from '../strum-strokes';
import type { MarksModel } from '../use-marks-model';

/** Strums and picking patterns by beat, for instruments that have them, where one was written. */
export function StrumLane({ model, layout }: { readonly model: MarksModel; readonly layout: LineLayout }): ReactNode {
  const { score, marks, onsets, about } = model;
  if (!about.strums || !marks.some((m) => m.kind === 'strum')) return null;
  const patterns = patternsOf(score.bars, marks);
  return (
    <div className="relative h-9 border-t border-rule" role="group" aria-label="Strum">
      <span className="absolute -left-24 top-1.5 w-20 text-sm font-semibold text-ink-2">Strum</span>
      {score.bars
        .filter((bar) => layout.bars.has(bar.id))
        .flatMap((bar) =>
          strokesOf(bar, patterns.get(bar.index) ?? '', score.ticksPerQuarter).map(({ onset, text }) => {
            const x = xOfOnset(onset, bar, onsets, layout);
            return x === null ? null : (
              <span
                key={onset}
                className="absolute top-1 -translate-x-1/2 font-bold leading-6 text-plum"
                style={{ left: x }}
              >
                {text}
              </span>
            );
          }),
        )}
    </div>
  );
}
