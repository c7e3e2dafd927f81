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

/** Pixels of a letter of running text, on average and on the wide side. */
const LETTER = 8.6;

/** About how wide a text is, in pixels. */
export const textWidth = (text: string): number => Math.max(12, text.length * LETTER);
