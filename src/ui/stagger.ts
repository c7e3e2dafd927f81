/** Something written over or under the music: where its middle is, and how wide it is, in pixels. */
export interface Label {
  readonly x: number;
  readonly width: number;
}

/** Pixels between two labels of one row. */
const GAP = 4;

/**
 * The row of each label, so that none covers another: the highest that has room, from left to right.
 *
 * @example staggered([{ x: 0, width: 40 }, { x: 20, width: 40 }, { x: 50, width: 40 }]) // → [0, 1, 0]
 */
export function staggered(labels: readonly Label[]): readonly number[] {
  const rows = labels.map(() => 0);
  const ends: number[] = [];
  const fromLeft = labels.map((_, i) => i).sort((a, b) => (labels[a]?.x ?? 0) - (labels[b]?.x ?? 0));
  for (const i of fromLeft) {
    const label = labels[i];
    if (!label) continue;
    const left = label.x - label.width / 2;
    const free = ends.findIndex((end) => end + GAP <= left);
    const row = free < 0 ? ends.length : free;
    ends[row] = left + label.width;
    rows[i] = row;
  }
  return rows;
}

/** Signs nearer than this stand on one another. */
const ON_ONE_PLACE = 8;

/**
 * The rows of signs that have a row of their own already: those of one row on the same place, as the two hands of a
 * piano may each have a dynamic, stand below one another, and the rows below make room.
 *
 * @example rowsApart([{ x: 20, row: 0 }, { x: 20, row: 0 }, { x: 20, row: 1 }]) // → [0, 1, 2]
 */
export function rowsApart(signs: readonly { readonly x: number; readonly row: number }[]): readonly number[] {
  const under = signs.map(
    ({ x, row }, i) => signs.slice(0, i).filter((s) => s.row === row && Math.abs(s.x - x) < ON_ONE_PLACE).length,
  );
  const tall = new Map<number, number>();
  signs.forEach(({ row }, i) => tall.set(row, Math.max(tall.get(row) ?? 0, under[i] ?? 0)));
  const above = (row: number): number => [...tall].reduce((sum, [r, more]) => (r < row ? sum + more : sum), 0);
  return signs.map(({ row }, i) => row + above(row) + (under[i] ?? 0));
}

/** Pixels of a letter of running text, on average and on the wide side. */
const LETTER = 8.6;

/** About how wide a text is, in pixels. */
export const textWidth = (text: string): number => Math.max(12, text.length * LETTER);
