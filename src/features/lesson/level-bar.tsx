import type { ReactNode } from 'react';
import { LEVEL_HEARD, LEVEL_NAMES } from '@/core/mastery';
import type { Level } from '@/core/studio';
import { Button, RungMark } from '@/ui';

const LEVELS: readonly Level[] = [0, 1, 2, 3, 4, 5];

interface Props {
  readonly level: Level | null;
  readonly now: Level | null;
  readonly proposed: Level | null;
  /** The highest that is heard of this: 3 of a chunk. */
  readonly highest: Level;
  readonly last: boolean;
  /** A level was pressed or something was listened for: there is something to record. */
  readonly heard: boolean;
  readonly onPick: (level: Level) => void;
  readonly onRecord: () => void;
}

/** The six levels to choose from, the proposed one dashed, and the one thing to do next. */
export function LevelBar({ level, now, proposed, highest, last, heard, onPick, onRecord }: Props): ReactNode {
  return (
    <div
      className="grid grid-cols-6 gap-1 pb-2 pt-2 sm:gap-2 sm:pb-3 lg:grid-cols-[repeat(6,1fr)_1.5fr]"
      role="group"
      aria-label="Level heard"
    >
      {LEVELS.map((n) => {
        const look =
          level === n
            ? 'border-leaf-deep bg-leaf-wash'
            : level === null && proposed === n
              ? 'border-dashed border-leaf-deep bg-sheet'
              : 'border-rule-strong bg-sheet';
        return (
          <button
            key={n}
            type="button"
            aria-pressed={level === n}
            disabled={n > highest}
            title={LEVEL_HEARD[n]}
            className={`flex min-h-12 items-center justify-center gap-2 rounded border-2 px-1 text-left sm:min-h-16 sm:justify-start sm:px-2 disabled:border-rule disabled:text-ink-3 ${look}`}
            onClick={() => onPick(n)}
          >
            <span className="hidden lg:inline">
              <RungMark level={n} bare />
            </span>
            <span className="font-semibold">
              <span className="figure">{n}</span> <span className="sr-only sm:not-sr-only">{LEVEL_NAMES[n]}</span>
              {proposed === n ? (
                <span className="sr-only font-normal text-ink-2 sm:not-sr-only sm:block">proposed</span>
              ) : now === n ? (
                <span className="block font-normal text-ink-2">now</span>
              ) : null}
            </span>
          </button>
        );
      })}
      <Button
        look="primary"
        big
        className="col-span-6 min-h-12 sm:min-h-16 lg:col-span-1"
        shortcut="enter"
        disabled={!heard && last}
        onClick={onRecord}
      >
        {!heard ? (last ? 'Nothing heard yet' : 'Next section') : last ? 'Record' : 'Record, next section'}
      </Button>
    </div>
  );
}
