import type { Line } from '../bar-content';
import type { Ostinato } from '../repeat';

/** Figures of one, two or four bars that go on unchanged, at least three times. */
export function findOstinatos(line: Line): Ostinato[] {
  const { bars, part, staff } = line;
  const out: Ostinato[] = [];
  for (const period of [1, 2, 4]) {
    let start = 0;
    for (let i = period; i <= bars.length; i += 1) {
      const goes = i < bars.length && (bars[i]?.exact ?? -1) >= 0 && bars[i]?.exact === bars[i - period]?.exact;
      if (goes) continue;
      const from = start;
      const to = i - 1;
      if (to - from + 1 >= Math.max(4, period * 3) && !out.some((o) => o.from <= from && o.to >= to))
        out.push({ part, staff, from, to, period });
      start = i - period + 1;
    }
  }
  return out;
}
