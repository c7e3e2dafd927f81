import type { ReactNode } from 'react';
import type { PageLayout } from '@/core/paper';
import { pictureAddress, useLayouts, usePagePicture } from '@/store';

/** How high a bar is shown at most, and how wide, in pixels of the screen. */
const MOST = { height: 180, width: 460 } as const;

/** Where a bar lies: its page, and the rectangle that is cut out of it. */
function placeOf(layouts: readonly PageLayout[], barId: string) {
  for (const page of layouts)
    for (const system of page.systems) {
      const box = system.boxes.find((b) => b.bars.includes(barId));
      if (box) return { page, left: box.from, right: box.to, top: system.upper, bottom: system.lower };
    }
  return null;
}

/** One bar as it is on its page; nothing where it lies on none. */
export function BarPicture({
  pieceId,
  barId,
  number,
}: {
  readonly pieceId: string;
  readonly barId: string;
  readonly number: string;
}): ReactNode {
  const place = placeOf(useLayouts(pieceId) ?? [], barId);
  const picture = usePagePicture(place?.page.id ?? null);
  if (!place || !picture) return null;
  const { page, left, right, top, bottom } = place;
  const [width, height] = [right - left, bottom - top];
  const zoom = Math.min(MOST.height / height, MOST.width / width);
  return (
    <div
      role="img"
      aria-label={`Bar ${number} on its page`}
      className="max-w-full border border-rule bg-white"
      style={{
        width: width * zoom,
        height: height * zoom,
        backgroundImage: `url(${pictureAddress(picture)})`,
        backgroundSize: `${page.width * zoom}px ${page.height * zoom}px`,
        backgroundPosition: `${-left * zoom}px ${-top * zoom}px`,
        backgroundRepeat: 'no-repeat',
      }}
    />
  );
}
