import type { Found } from './found';

/**
 * Of copies that begin at the same bar the widest, and of these the one with the earliest model: any other says less
 * and would be left out by the selection.
 */
export interface WidestCopies {
  readonly offer: (model: number, copy: number, length: number) => void;
  /** What was kept, in the order of the copies; null leaves one out. */
  readonly all: (tell: (model: number, copy: number, length: number) => Found | null) => Found[];
}

export function widestCopies(bars: number): WidestCopies {
  const lengths = new Int32Array(bars);
  const models = new Int32Array(bars);
  return {
    offer: (model, copy, length) => {
      const there = lengths[copy] ?? 0;
      if (length < there || (length === there && model >= (models[copy] ?? 0))) return;
      lengths[copy] = length;
      models[copy] = model;
    },
    all: (tell) => {
      const out: Found[] = [];
      for (let copy = 0; copy < bars; copy += 1) {
        const length = lengths[copy] ?? 0;
        const told = length > 0 ? tell(models[copy] ?? 0, copy, length) : null;
        if (told) out.push(told);
      }
      return out;
    },
  };
}
