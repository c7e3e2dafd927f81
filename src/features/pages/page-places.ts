import type { PageLayout } from '@/core/paper';
import type { PageSystem } from '@/core/studio';

/** Pixels of the picture that a key moves a line or an edge, alone and with Shift. */
const STEP = { fine: 2, coarse: 10 } as const;

/** How far Alt and an arrow move something that lies along `back` and `forth`; 0 for any other key. */
export function keyStep(
  { key, altKey, shiftKey }: Pick<KeyboardEvent, 'key' | 'altKey' | 'shiftKey'>,
  back: string,
  forth: string,
): number {
  const way = key === back ? -1 : key === forth ? 1 : 0;
  return altKey ? way * (shiftKey ? STEP.coarse : STEP.fine) : 0;
}

/** Places on a page as shares of it, for CSS. */
export const across = ({ width }: Pick<PageLayout, 'width'>, x: number): string => `${(100 * x) / width}%`;
export const down = ({ height }: Pick<PageLayout, 'height'>, y: number): string => `${(100 * y) / height}%`;

export const endsOf = ({ boxes }: PageSystem): readonly [number, number] => [
  boxes[0]?.from ?? 0,
  boxes[boxes.length - 1]?.to ?? 0,
];

/** Where a pointer is on a page, in pixels of the kept picture. */
export function pointOn(
  page: PageLayout,
  element: Element,
  { clientX, clientY }: { readonly clientX: number; readonly clientY: number },
): readonly [number, number] {
  const { left, top, width, height } = element.getBoundingClientRect();
  return [((clientX - left) / width) * page.width, ((clientY - top) / height) * page.height];
}

/** A line of a system: -1 is where it begins, then the end of each box. */
export const lineAt = ({ boxes }: PageSystem, line: number): number =>
  line < 0 ? (boxes[0]?.from ?? 0) : (boxes[line]?.to ?? 0);
