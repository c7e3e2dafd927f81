/** The greatest value noted at any place up to a given one; a binary indexed tree, so that asking takes few steps. */
export interface PrefixMax {
  /** Notes a value at a place, from 0. */
  note(place: number, value: number): void;
  /** The greatest value noted at places 0 to `place`; 0 where none is. */
  upTo(place: number): number;
}

/** For places from 0 to before `size`. */
export function prefixMax(size: number): PrefixMax {
  const tree = new Float64Array(size + 1);
  return {
    note(place, value) {
      for (let i = place + 1; i <= size; i += i & -i) tree[i] = Math.max(tree[i] ?? 0, value);
    },
    upTo(place) {
      let most = 0;
      for (let i = Math.min(place + 1, size); i > 0; i -= i & -i) most = Math.max(most, tree[i] ?? 0);
      return most;
    },
  };
}
