import type { ReactNode } from 'react';
import { nextRung } from '@/core/plan';
import { inBeats, type TempoUnit } from '@/core/score';
import type { Ladder, Rung } from '@/core/studio';
import { Button, Panel } from '@/ui';
import { useWhere } from '@/features/where';

function RungButton({
  rung,
  unit,
  climbed,
  isNext,
  onTick,
}: {
  readonly rung: Rung;
  readonly unit: TempoUnit;
  readonly climbed: boolean;
  readonly isNext: boolean;
  readonly onTick: () => void;
}): ReactNode {
  const look = isNext
    ? 'border-acorn bg-acorn-wash font-semibold'
    : climbed
      ? 'border-leaf-deep bg-leaf-wash'
      : 'border-leaf-deep bg-sheet';
  return (
    <li className="my-1 -mx-1.5">
      <button
        type="button"
        aria-pressed={climbed}
        className={`flex min-h-11 w-full items-center justify-between gap-2 border-2 px-3 py-1 text-left ${look}`}
        onClick={onTick}
      >
        <span>
          {rung.what}
          {climbed ? <span className="sr-only">, done</span> : null}
        </span>
        <span className="figure text-ink-2">{rung.tempo === null ? '' : inBeats(rung.tempo, unit)}</span>
      </button>
    </li>
  );
}

/** The ladder of the section that is heard: a touch ticks a rung. */
export function LadderInHand({
  ladder,
  unit,
  done,
  onTick,
  onThree,
}: {
  readonly ladder: Ladder | undefined;
  /** The beat in which its tempos are said. */
  readonly unit: TempoUnit;
  readonly done: readonly string[];
  readonly onTick: (rungId: string) => void;
  readonly onThree: () => void;
}): ReactNode {
  const where = useWhere();
  const next = nextRung(ladder, done)?.id ?? null;
  return (
    <Panel
      title="Ladder"
      aside={
        next === null ? null : (
          <Button look="quiet" big shortcut="i" onClick={onThree}>
            Three in a row
          </Button>
        )
      }
    >
      {ladder ? (
        <ol reversed className="flex flex-col-reverse border-x-4 border-leaf-deep px-1 py-2" aria-label="Rungs">
          {ladder.rungs.map((r) => (
            <RungButton
              key={r.id}
              rung={r}
              unit={unit}
              climbed={done.includes(r.id)}
              isNext={r.id === next}
              onTick={() => onTick(r.id)}
            />
          ))}
        </ol>
      ) : (
        <Button onClick={() => where.go('ladder')} big>
          Build the ladder
        </Button>
      )}
    </Panel>
  );
}
