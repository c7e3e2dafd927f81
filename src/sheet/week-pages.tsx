'use client';

import { useCallback, useMemo, useState, type ReactNode } from 'react';
import type { Paper } from '@/core/studio';
import type { DrawnSheet } from './drawn-sheet';
import { contentWidth, type PrintSize } from './paper';
import { ALL_MUSIC, fitMusic, type FitMusic } from './fit-music';
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
  const [fitted, setFitted] = useState<{ readonly sheet: DrawnSheet; readonly of: string; readonly fit: FitMusic }>({
    sheet,
    of,
    fit: ALL_MUSIC,
  });
  const fit = fitted.sheet === sheet && fitted.of === of ? fitted.fit : ALL_MUSIC;
  const { leftOut } = fit;
  const order = useMemo(() => canBeLeftOut(sheet.week), [sheet]);
  const blocks = useMemo(
    () => weekBlocks(sheet, { width: contentWidth(paper), size, leftOut: new Set(leftOut) }),
    [sheet, paper, size, leftOut],
  );
  const onPages = useCallback(
    (pages: number): void => {
      const next = onePage ? fitMusic(fit, order, pages) : fit;
      if (next !== fit) setFitted({ sheet, of, fit: next });
      // It is told once nothing else is tried.
      else onLaid?.({ pages, leftOut });
    },
    [onePage, fit, leftOut, order, sheet, of, onLaid],
  );
  return (
    <SheetPages blocks={blocks} paper={paper} size={size} label={`Sheet of ${sheet.week.student}`} onPages={onPages} />
  );
}
