import type { ReactNode } from 'react';
import type { PencilMark } from '@/core/studio';
import type { LineLayout } from '@/ui';

/** Pixels between a staff and what is written at it. */
const AWAY = 6;

/** Where a pencil mark stands on a line; null where its bar is not on it. */
export function pencilPlace(
  layout: LineLayout,
  { barId, at, side }: Pick<PencilMark, 'barId' | 'at' | 'side'>,
): { readonly x: number; readonly y: number } | null {
  const bar = layout.bars.get(barId);
  if (!bar) return null;
  const y = {
    above: bar.top - AWAY,
    between: bar.top + bar.height / 2,
    below: bar.top + bar.height + AWAY,
  } as const satisfies Readonly<Record<PencilMark['side'], number>>;
  return { x: bar.x + at * bar.width, y: y[side] };
}

export const PENCIL_SHIFT = {
  above: '-translate-x-1/2 -translate-y-full',
  between: '-translate-x-1/2 -translate-y-1/2',
  below: '-translate-x-1/2',
} as const satisfies Readonly<Record<PencilMark['side'], string>>;

/** Letters as they are written: dynamics slanted, fingers as figures. */
export const PENCIL_LOOK: Readonly<Record<PencilMark['role'], string>> = {
  finger: 'figure font-bold',
  count: 'figure font-semibold',
  dynamic: 'font-bold italic',
  breath: 'text-xl font-bold leading-4',
  cue: 'font-semibold',
};

/** What is written in pencil on a line that is cut from a page. */
export function PencilOver({
  marks,
  layout,
}: {
  readonly marks: readonly PencilMark[];
  readonly layout: LineLayout;
}): ReactNode {
  return marks.map((mark) => {
    const place = pencilPlace(layout, mark);
    return place ? (
      <span
        key={mark.id}
        data-pencil={mark.role}
        className={`pointer-events-none absolute rounded bg-sheet/85 px-0.5 whitespace-nowrap text-plum ${PENCIL_SHIFT[mark.side]} ${PENCIL_LOOK[mark.role]}`}
        style={{ left: place.x, top: place.y }}
      >
        {mark.text}
      </span>
    ) : null;
  });
}
