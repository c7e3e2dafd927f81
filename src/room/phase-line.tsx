import { Ear, Music2, Users } from 'lucide-react';
import type { ReactNode } from 'react';
import type { PhaseKind, TimedPhase } from '@/core/performance';

const PHASES: Readonly<
  Record<PhaseKind, { readonly words: string; readonly look: string; readonly Sign: typeof Ear }>
> = {
  listen: { words: 'Listen', look: 'border-rule-strong bg-sheet', Sign: Ear },
  answer: { words: 'Your turn', look: 'border-acorn bg-acorn-wash text-acorn', Sign: Music2 },
  together: { words: 'Play with it', look: 'border-leaf bg-leaf-wash text-leaf-deep', Sign: Users },
};

/** What one does at the moment: listen, answer, play with it; and with which bars. */
export function PhaseLine({
  phase,
  barName,
}: {
  readonly phase: TimedPhase;
  readonly barName: (bar: number) => string;
}): ReactNode {
  const { words, look, Sign } = PHASES[phase.kind];
  return (
    <p
      role="status"
      className={`flex items-center justify-center gap-3 rounded border-2 p-2 text-2xl font-semibold ${look}`}
    >
      <Sign size={26} aria-hidden="true" /> {words}
      <span className="text-lg font-normal">
        {phase.from === phase.to ? barName(phase.from) : `${barName(phase.from)} to ${barName(phase.to)}`}
      </span>
    </p>
  );
}
