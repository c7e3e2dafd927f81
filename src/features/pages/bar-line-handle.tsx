import type { KeyboardEvent, ReactNode, RefObject } from 'react';
import { outerLines, type PageLayout } from '@/core/paper';
import type { PageSystem } from '@/core/studio';
import { useDrag } from '@/ui';
import { across, down, keyStep, lineAt, pointOn } from './page-places';

interface Props {
  readonly page: PageLayout;
  readonly system: PageSystem;
  /** -1 is where the system begins, then the end of each box. */
  readonly line: number;
  readonly name: string;
  readonly chosen: boolean;
  /** Where a pointer is on the page is measured against this. */
  readonly sheet: RefObject<HTMLDivElement | null>;
  readonly onChoose: () => void;
  readonly onMove: (x: number) => void;
  readonly onRemove: () => void;
}

/** A bar line on the picture: dragged, moved by Alt and the arrows, taken away by Delete. */
export function BarLineHandle({
  page,
  system,
  line,
  name,
  chosen,
  sheet,
  onChoose,
  onMove,
  onRemove,
}: Props): ReactNode {
  const { to, handlers } = useDrag((event) => (sheet.current ? pointOn(page, sheet.current, event)[0] : null), onMove);
  const [top, foot] = outerLines(system);
  const x = to ?? lineAt(system, line);
  const unsure = line >= 0 && system.boxes[line]?.unsure === true;
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = keyStep(event, 'ArrowLeft', 'ArrowRight');
    if (step !== 0) {
      event.preventDefault();
      event.stopPropagation();
      onMove(lineAt(system, line) + step);
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      event.stopPropagation();
      onRemove();
    }
  };
  return (
    <button
      type="button"
      data-bar-line={line}
      aria-label={name}
      aria-pressed={chosen}
      title={unsure ? 'Found with doubt' : undefined}
      className="group absolute w-6 -translate-x-1/2 cursor-ew-resize touch-none focus:outline-none"
      style={{
        left: across(page, x),
        top: down(page, top - page.space),
        height: down(page, foot - top + 2 * page.space),
      }}
      onKeyDown={onKeyDown}
      onFocus={onChoose}
      {...handlers}
      onClick={onChoose}
    >
      <span
        aria-hidden="true"
        className={`absolute inset-y-0 left-1/2 -translate-x-1/2 ${chosen ? 'w-1 bg-acorn' : unsure ? 'w-0 border-l-[3px] border-dashed border-acorn' : 'w-[3px] bg-leaf'} group-focus-visible:outline-2 group-focus-visible:outline-offset-2 group-focus-visible:outline-acorn`}
      />
    </button>
  );
}
