import { Check } from 'lucide-react';
import type { ReactNode } from 'react';
import type { DayTask } from '@/core/plan';

/** The tasks of the day as a ladder that is climbed upwards, the first at the foot. */
export function TaskLadder({
  tasks,
  inHand,
  onTake,
}: {
  readonly tasks: readonly DayTask[];
  readonly inHand: string | null;
  readonly onTake: (itemId: string) => void;
}): ReactNode {
  return (
    <ol
      reversed
      aria-label="Today"
      className="flex shrink-0 flex-col-reverse items-center justify-end gap-3 border-r border-rule-strong pr-2 sm:pr-3"
    >
      {tasks.map(({ item, done }, i) => (
        <li key={item.id}>
          <button
            type="button"
            aria-current={item.id === inHand ? 'step' : undefined}
            aria-label={`${i + 1}: ${item.what}${done ? ', done' : ''}`}
            title={item.what}
            className={`figure flex size-11 items-center justify-center rounded border-2 text-lg font-semibold ${
              item.id === inHand
                ? 'border-acorn bg-acorn-wash text-acorn'
                : done
                  ? 'border-leaf bg-leaf-wash text-leaf-deep'
                  : 'border-rule-strong bg-sheet'
            }`}
            onClick={() => onTake(item.id)}
          >
            {done && item.id !== inHand ? <Check size={22} aria-hidden="true" /> : i + 1}
          </button>
        </li>
      ))}
    </ol>
  );
}
