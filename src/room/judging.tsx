import { Undo2 } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Drill } from '@/core/drill';
import { inBeats, type TempoUnit } from '@/core/score';
import { Button, TempoCurve } from '@/ui';
import { RowBoxes } from './row-boxes';

interface Props {
  readonly drill: Drill;
  readonly unit: TempoUnit;
  readonly target: number;
  readonly hasWork: boolean;
  readonly onJudge: (right: boolean) => void;
  readonly onTakeBack: () => void;
  readonly onKeep: () => void;
  readonly isLast: boolean;
}

/** Passes before their tempos make a curve. */
const CURVE_FROM = 3;

/** How often it was right, what was counted kept, and the two large fields at the thumb. */
export function Judging({ drill, unit, target, hasWork, onJudge, onTakeBack, onKeep, isLast }: Props): ReactNode {
  const { passes, done, rule } = drill;
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        <RowBoxes drill={drill} />
        {rule.steps.length > 1 && passes.length >= CURVE_FROM ? (
          <span className="hidden w-56 sm:block">
            <TempoCurve steps={passes.map((p) => inBeats(p.tempo, unit))} target={inBeats(target, unit)} />
          </span>
        ) : null}
        {hasWork ? (
          <span className="ml-auto flex flex-wrap gap-2">
            {passes.length > 0 ? (
              <Button look="quiet" big onClick={onTakeBack}>
                <Undo2 size={20} aria-hidden="true" /> <span className="sr-only sm:not-sr-only">Not that one</span>
              </Button>
            ) : null}
            <Button big look={done ? 'primary' : 'plain'} {...(done ? { shortcut: '→' } : {})} onClick={onKeep}>
              {isLast ? 'Keep it' : 'Keep it, go on'}
            </Button>
          </span>
        ) : null}
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Button big className="min-h-16 text-2xl" shortcut="←" onClick={() => onJudge(false)}>
          Again
        </Button>
        <Button
          big
          look={done ? 'plain' : 'primary'}
          className="min-h-16 text-2xl"
          {...(done ? {} : { shortcut: '→' })}
          onClick={() => onJudge(true)}
        >
          Right
        </Button>
      </div>
    </>
  );
}
