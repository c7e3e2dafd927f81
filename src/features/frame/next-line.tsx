import type { ReactNode } from 'react';
import { Button } from '@/ui';
import { useKey } from '@/features/keys';
import type { NextToDo } from './use-next-thing';

/**
 * The next thing to do, as one sentence with one button: at the end of the line of stages where there is room for it,
 * else at the foot of the screen. Where one is there already only the sentence is left, and at the foot nothing.
 */
export function NextLine({ next }: { readonly next: NextToDo | null }): ReactNode {
  useKey('everywhere.next', () => next && !next.isHere && next.go());
  if (!next) return null;
  const isDone = next.does === null || next.isHere;
  return (
    <aside
      aria-label="What comes next"
      className={`no-print fixed inset-x-0 bottom-0 z-20 items-center justify-between gap-3 border-t border-rule-strong bg-sheet px-3 py-1 xl:absolute xl:left-auto xl:right-5 xl:max-w-[46%] xl:justify-end xl:border-0 xl:p-0 ${isDone ? 'hidden xl:flex xl:h-11' : 'flex'}`}
    >
      <span className="line-clamp-2 min-w-0 text-ink-2 xl:line-clamp-1" title={next.says}>
        {next.says}
      </span>
      {isDone ? null : (
        <Button className="min-h-11 shrink-0" shortcut="F8" onClick={next.go}>
          {next.does}
        </Button>
      )}
    </aside>
  );
}
