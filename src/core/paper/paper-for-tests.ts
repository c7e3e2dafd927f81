import { emptyGrid } from '../bargrid';
import type { PageLayout, Paper } from './paper';
import { settled } from './paper';

const WIDE = 100;

/** A page of single staves, so many bars a line, each 100 pixels wide; ids go on from `first`. */
export const pageOfBars = (id: string, lines: readonly number[], first: number, order = 1): PageLayout => {
  let next = first;
  return {
    id,
    pieceId: 'p',
    order,
    width: 1000,
    height: 1400,
    space: 10,
    systems: lines.map((count, i) => ({
      staves: [[100 + 200 * i, 140 + 200 * i]],
      upper: 50 + 200 * i,
      lower: 190 + 200 * i,
      boxes: Array.from({ length: count }, (_, k) => ({
        bars: [`g${next++}`],
        from: 50 + WIDE * k,
        to: 50 + WIDE * (k + 1),
      })),
    })),
  };
};

/** Two lines of four bars in 4/4 on one page. */
export const EIGHT_ON_A_PAGE: Paper = settled({
  grid: {
    ...emptyGrid({
      title: 'Air',
      composer: '',
      bars: 8,
      staves: 1,
      clef: 'treble',
      meter: '4/4',
      key: 'G',
      pickup: '',
      perMinute: 80,
    }),
  },
  layouts: [pageOfBars('a', [4, 4], 1)],
});
