'use client';

import { useCallback, useMemo, useState, type ReactNode } from 'react';
import type { Paper } from '@/core/studio';
import type { DrawnSheet } from './drawn-sheet';
import { contentWidth, type PrintSize } from './paper';
import { SheetPages } from './sheet-pages';
import { canBeLeftOut, weekBlocks } from './week-blocks';

/** What came of laying the sheet on paper. */
export interface LaidWeek {
  readonly pages: number;
  /** Tasks whose music had no room. */
  readonly leftOut: readonly string[];
}

interface Props {
  readonly sheet: DrawnSheet;
  readonly paper: Paper;
  readonly size: PrintSize;
  /** Music is left out where it takes more than a page. */
  readonly onePage: boolean;
  readonly onLaid?: (laid: LaidWeek) => void;
}

/** The week on paper: on one page where that is asked, with as much of the music as there is room for. */
export function WeekPages({ sheet, paper, size, onePage, onLaid }: Props): ReactNode {
  const of = `${paper} ${size} ${onePage}`;
  const [fitted, setFitted] = useState<{
    readonly sheet: DrawnSheet;
    readonly of: string;
    readonly count: number;
    readonly vain: boolean;
  }>({
    sheet,
    of,
    count: 0,
    vain: false,
  });
  const isOfThis = fitted.sheet === sheet && fitted.of === of;
  const count = isOfThis ? fitted.count : 0;
  const vain = isOfThis && fitted.vain;
  const order = useMemo(() => canBeLeftOut(sheet.week), [sheet]);
  const leftOut = useMemo(() => order.slice(0, count), [order, count]);
  const blocks = useMemo(
    () => weekBlocks(sheet, { width: contentWidth(paper), size, leftOut: new Set(leftOut) }),
    [sheet, paper, size, leftOut],
  );
  const onPages = useCallback(
    (pages: number): void => {
      if (!onePage || pages === 1 || vain) onLaid?.({ pages, leftOut });
      else if (count < order.length) setFitted({ sheet, of, count: count + 1, vain: false });
      // The words alone are more than a page: then the music is not left out for nothing.
      else setFitted({ sheet, of, count: 0, vain: true });
    },
    [onePage, count, vain, order, sheet, of, leftOut, onLaid],
  );
  return (
    <SheetPages blocks={blocks} paper={paper} size={size} label={`Sheet of ${sheet.week.student}`} onPages={onPages} />
  );
}
