import { firstPlaces } from './first-places';
import { suffixRow } from './suffix-row';

/** Bars as symbols in a row, and what makes two stretches of them a copy and its model. */
export interface BarRow {
  /** `stride` symbols a bar: the first says what the bar is, the others how the next one follows. */
  readonly symbols: Int32Array;
  readonly stride: 1 | 2;
  /** By bar: copies and models of the same mark are none; all different where anything may be a copy. */
  readonly marks: ArrayLike<number>;
  /** How much of a copy is left when what may not end one is taken off. */
  readonly trimmed?: (copy: number, length: number) => number;
}

type Emit = (model: number, copy: number, length: number) => void;

/** By bar: what leads to it as one number, the same for bars that are reached alike; unique where nothing does. */
function leftOf({ symbols, stride }: BarRow, bars: number): Int32Array {
  const numbers = new Map<string, number>();
  return Int32Array.from({ length: bars }, (_, bar) => {
    const before = Array.from(symbols.subarray((bar - 1) * stride, bar * stride));
    if (bar === 0 || before.some((s) => s < 0)) return -1 - bar;
    const key = before.join(' ');
    const number = numbers.get(key) ?? numbers.size;
    numbers.set(key, number);
    return number;
  });
}

/**
 * Emits stretches that come again: for every bar the widest that begins there and does not begin earlier, with its
 * earliest model; and all that come again at once, over and over, in pieces no longer than the distance (so that the
 * places never overlap). What is not emitted lies within what is. Time grows with the bars times the square of their
 * logarithm.
 */
export function copiesInRow(row: BarRow, emit: Emit): void {
  const { symbols, stride, marks } = row;
  const bars = symbols.length / stride;
  const suffixes = suffixRow(symbols);
  const left = leftOf(row, bars);
  const agree = (i: number, j: number): number =>
    Math.floor((suffixes.shared(i * stride, j * stride) + stride - 1) / stride);
  const first = firstPlaces(
    Int32Array.from(symbols, (_, rank) => {
      const place = suffixes.placeAt(rank);
      return place % stride === 0 ? place / stride : -1;
    }),
    left,
    marks,
  );
  widestAtEachBar();
  overAndOver();

  /** The earliest bar that agrees with bar `j` for so many bars and does not agree before them; -1 for none. */
  function modelOf(j: number, length: number): number {
    const [from, to] = suffixes.sharing(j * stride, (length - 1) * stride + 1);
    return first.avoiding(from, to, left[j] ?? 0, marks[j] ?? 0);
  }

  function widestAtEachBar(): void {
    for (let j = 1; j < bars; j += 1) {
      // The longer the copy, the later its earliest model, and the less room there is between them.
      let length = 0;
      let model = -1;
      for (let agreed = 0; ;) {
        const next = modelOf(j, agreed + 1);
        if (next < 0 || j - next <= length) break;
        agreed = agree(next, j);
        const room = Math.min(agreed, j - next);
        if (room > length) [length, model] = [room, next];
      }
      const told = row.trimmed?.(j, length) ?? length;
      if (told > 0) emit(told === length ? model : modelOf(j, told), j, told);
    }
  }

  /** Every stretch that is longer than the distance to its copy holds a bar whose number is a multiple of that. */
  function overAndOver(): void {
    for (let d = 1; 2 * d < bars; d += 1)
      for (let x = 0; x + d < bars; x += d) {
        if (agree(x, x + d) === 0 || (x >= d && agree(x - d, x) > d)) continue;
        let from = x;
        for (let low = Math.max(0, x - d + 1); low < from;) {
          const middle = (low + from) >> 1;
          if (agree(middle, middle + d) > x - middle) from = middle;
          else low = middle + 1;
        }
        const length = agree(from, from + d);
        if (length <= d || marks[from] === marks[from + d]) continue;
        for (let k = 0; k < length; k += d) emit(from + k, from + d + k, Math.min(d, length - k));
      }
  }
}
