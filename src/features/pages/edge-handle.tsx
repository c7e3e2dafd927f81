import type { KeyboardEvent, ReactNode, RefObject } from 'react';
import type { PageLayout } from '@/core/paper';
import type { PageSystem } from '@/core/studio';
import { useDrag } from '@/ui';
import { across, down, endsOf, keyStep, pointOn } from './page-places';

const NAME = { upper: 'Upper edge', lower: 'Lower edge' } as const;

/** How far up or down a line of music is cut out of the page: dragged, or moved by Alt and the arrows. */
export function EdgeHandle({
  page,
  system,
  edge,
  number,
  sheet,
  onMove,
}: {
  readonly page: PageLayout;
  readonly system: PageSystem;
  readonly edge: 'upper' | 'lower';
  /** Of its system on the page, from 1. */
  readonly number: number;
  readonly sheet: RefObject<HTMLDivElement | null>;
  readonly onMove: (y: number) => void;
}): ReactNode {
  const { to, handlers } = useDrag((event) => (sheet.current ? pointOn(page, sheet.current, event)[1] : null), onMove);
  const [left, right] = endsOf(system);
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = keyStep(event, 'ArrowUp', 'ArrowDown');
    if (step === 0) return;
    event.preventDefault();
    event.stopPropagation();
    onMove(system[edge] + step);
  };
  return (
    <button
      type="button"
      data-edge={edge}
      aria-label={`${NAME[edge]} of line ${number}`}
      title="How much is cut out with this line"
      className="group absolute h-6 -translate-y-1/2 cursor-ns-resize touch-none focus:outline-none"
      style={{ left: across(page, left), width: across(page, right - left), top: down(page, to ?? system[edge]) }}
      onKeyDown={onKeyDown}
      {...handlers}
    >
      <span
        aria-hidden="true"
        className="absolute inset-x-0 top-1/2 -translate-y-1/2 border-t-2 border-dashed border-acorn group-hover:border-solid group-focus-visible:border-solid group-focus-visible:outline-2 group-focus-visible:outline-offset-2 group-focus-visible:outline-acorn"
      />
    </button>
  );
}
