'use client';

import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import type { Paper } from '@/core/studio';
import { contentHeight, contentWidth, MARGIN, PRINT, SHEETS, type PrintSize } from './paper';
import type { SheetBlock } from './sheet-block';

/**
 * Which blocks stand on which page, by their heights: one after the other, a new page where one does not fit any more,
 * and before each that begins one.
 *
 * @example pagesOf([4, 4, 4], 9) // → [[0, 1], [2]]
 */
export function pagesOf(
  heights: readonly number[],
  room: number,
  begins: (block: number) => boolean = () => false,
): readonly (readonly number[])[] {
  const pages: number[][] = [[]];
  let left = room;
  heights.forEach((height, i) => {
    const page = pages[pages.length - 1];
    if ((height > left || begins(i)) && page && page.length > 0) {
      pages.push([i]);
      left = room - height;
      return;
    }
    page?.push(i);
    left -= height;
  });
  return pages;
}

interface Props {
  readonly blocks: readonly SheetBlock[];
  readonly paper: Paper;
  readonly size: PrintSize;
  readonly label: string;
  /** Told how many pages it takes. */
  readonly onPages?: (pages: number) => void;
}

/** Blocks on pages of paper: on the screen as they are printed. */
export function SheetPages({ blocks, paper, size, label, onPages }: Props): ReactNode {
  const host = useRef<HTMLDivElement | null>(null);
  const all = blocks.map((b) => b.key).join('\n');
  const [laid, setLaid] = useState<{ readonly of: string; readonly pages: readonly (readonly number[])[] } | null>(
    null,
  );
  const of = `${paper} ${size} ${all}`;
  const room = contentHeight(paper);
  useLayoutEffect(() => {
    const element = host.current;
    if (!element) return undefined;
    const lay = (): void => {
      const found = [...element.querySelectorAll<HTMLElement>('[data-block]')];
      const heights = found.map((b) => b.getBoundingClientRect().height / zoomOf(element));
      const pages = pagesOf(heights, room, (i) => blocks[i]?.newPage === true);
      setLaid((before) =>
        before?.of === of && JSON.stringify(before.pages) === JSON.stringify(pages) ? before : { of, pages },
      );
      onPages?.(pages.length);
    };
    lay();
    // Music and letters may come in after the first look.
    const observer = new ResizeObserver(lay);
    for (const block of element.querySelectorAll('[data-block]')) observer.observe(block);
    return () => observer.disconnect();
    // On another page a block is another element: they are looked for anew.
  }, [blocks, of, room, onPages, laid]);
  const pages = laid?.of === of ? laid.pages : [blocks.map((_, i) => i)];
  const { width, height, name } = SHEETS[paper];
  return (
    <div
      ref={host}
      className="sheet"
      data-size={size}
      style={{ fontSize: `${PRINT[size].text}pt` }}
      aria-label={label}
      role="group"
    >
      <style>{`@page { size: ${name} portrait; margin: 0 }`}</style>
      {pages.map((page, p) => (
        <div
          key={p}
          className="sheet-page"
          role="group"
          aria-label={pages.length > 1 ? `Page ${p + 1} of ${pages.length}` : 'One page'}
          style={{ width: `${width}mm`, height: `${height}mm`, padding: `${MARGIN}mm` }}
        >
          <div style={{ width: contentWidth(paper) }}>
            {page.map((i) => {
              const block = blocks[i];
              return block ? (
                <div key={block.key} data-block={block.key} className="sheet-block">
                  {block.content}
                </div>
              ) : null;
            })}
          </div>
        </div>
      ))}
    </div>
  );
}

/** How much larger than on paper it is shown. */
const zoomOf = (element: HTMLElement): number => {
  const page = element.querySelector<HTMLElement>('.sheet-page');
  return page && page.offsetWidth > 0 ? page.getBoundingClientRect().width / page.offsetWidth : 1;
};
