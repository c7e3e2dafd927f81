/**
 * A row of symbols with the order of all its endings (a suffix array, built by doubling, and the lengths that
 * neighbours share, by the method of Kasai, Lee, Arimura, Arikawa and Park, 2001): what comes again is found from any
 * place without looking at all others.
 */
export interface SuffixRow {
  /** Rank of a place in the order of endings, and the place of a rank. */
  readonly rankOf: (place: number) => number;
  readonly placeAt: (rank: number) => number;
  /** How many symbols two places have in common from there on. */
  readonly shared: (a: number, b: number) => number;
  /** The ranks, both included, of all places that have at least so many symbols in common with one. */
  readonly sharing: (place: number, symbols: number) => readonly [number, number];
  /** The most symbols that any other place has in common with one. */
  readonly mostShared: (place: number) => number;
}

/** Ranks of symbols from 0; a negative symbol is like no other, itself included. */
function ranksOf(symbols: Int32Array): Int32Array {
  const order = Int32Array.from(symbols, (_, place) => place).sort(
    (a, b) => (symbols[a] ?? 0) - (symbols[b] ?? 0) || a - b,
  );
  const ranks = new Int32Array(symbols.length);
  let rank = -1;
  let before = -1;
  for (const place of order) {
    const symbol = symbols[place] ?? -1;
    if (symbol < 0 || symbol !== before) rank += 1;
    before = symbol;
    ranks[place] = rank;
  }
  return ranks;
}

/** Sorts places by their rank, keeping the order among equals. */
function sortedByRank(places: Int32Array, ranks: Int32Array): Int32Array {
  const starts = new Int32Array(ranks.length + 1);
  for (const rank of ranks) starts[rank + 1] = (starts[rank + 1] ?? 0) + 1;
  for (let r = 0; r < ranks.length; r += 1) starts[r + 1] = (starts[r + 1] ?? 0) + (starts[r] ?? 0);
  const sorted = new Int32Array(places.length);
  for (const place of places) {
    const rank = ranks[place] ?? 0;
    const at = starts[rank] ?? 0;
    sorted[at] = place;
    starts[rank] = at + 1;
  }
  return sorted;
}

/** All places in the order of what follows them. */
function suffixOrder(symbols: Int32Array): { readonly order: Int32Array; readonly ranks: Int32Array } {
  const size = symbols.length;
  let ranks = ranksOf(symbols);
  let order = sortedByRank(
    Int32Array.from(symbols, (_, place) => place),
    ranks,
  );
  for (let reach = 1; reach < size && (ranks[order[size - 1] ?? 0] ?? 0) < size - 1; reach *= 2) {
    const bySecond = new Int32Array(size);
    let at = 0;
    for (let place = size - reach; place < size; place += 1, at += 1) bySecond[at] = place;
    for (const place of order)
      if (place >= reach) {
        bySecond[at] = place - reach;
        at += 1;
      }
    order = sortedByRank(bySecond, ranks);
    const next = new Int32Array(size);
    const second = (place: number): number => (place + reach < size ? (ranks[place + reach] ?? 0) : -1);
    for (let k = 1; k < size; k += 1) {
      const [a, b] = [order[k - 1] ?? 0, order[k] ?? 0];
      next[b] = (next[a] ?? 0) + (ranks[a] !== ranks[b] || second(a) !== second(b) ? 1 : 0);
    }
    ranks = next;
  }
  return { order, ranks };
}

/** By rank: how many symbols an ending shares with the one before it in the order; 0 for the first. */
function sharedLengths(symbols: Int32Array, order: Int32Array, ranks: Int32Array): Int32Array {
  const size = symbols.length;
  const shared = new Int32Array(size + 1);
  let length = 0;
  for (let place = 0; place < size; place += 1) {
    const rank = ranks[place] ?? 0;
    if (rank === 0) {
      length = 0;
      continue;
    }
    const before = order[rank - 1] ?? 0;
    while (
      place + length < size &&
      before + length < size &&
      (symbols[place + length] ?? -1) >= 0 &&
      symbols[place + length] === symbols[before + length]
    )
      length += 1;
    shared[rank] = length;
    if (length > 0) length -= 1;
  }
  return shared;
}

/** The least of every stretch of two, four, eight … values from each place on. */
function leastTable(values: Int32Array): readonly Int32Array[] {
  const table = [values];
  for (let reach = 1; reach * 2 <= values.length; reach *= 2) {
    const before = table[table.length - 1] ?? values;
    const size = values.length - reach * 2 + 1;
    const next = new Int32Array(size);
    for (let k = 0; k < size; k += 1) next[k] = Math.min(before[k] ?? 0, before[k + reach] ?? 0);
    table.push(next);
  }
  return table;
}

/**
 * Prepares a row; time and memory grow with its length times its logarithm. Negative symbols are like none.
 *
 * @example suffixRow(Int32Array.of(1, 2, 3, 1, 2)).shared(0, 3) // → 2
 */
export function suffixRow(symbols: Int32Array): SuffixRow {
  const size = symbols.length;
  const { order, ranks } = suffixOrder(symbols);
  const neighbours = sharedLengths(symbols, order, ranks);
  const least = leastTable(neighbours);
  const rankOf = (place: number): number => ranks[place] ?? 0;
  const shared = (a: number, b: number): number => {
    if (a >= size || b >= size) return 0;
    const [low, high] = rankOf(a) < rankOf(b) ? [rankOf(a), rankOf(b)] : [rankOf(b), rankOf(a)];
    if (low === high) return size - a;
    const power = 31 - Math.clz32(high - low);
    const row = least[power];
    return Math.min(row?.[low + 1] ?? 0, row?.[high + 1 - 2 ** power] ?? 0);
  };
  return {
    rankOf,
    placeAt: (rank) => order[rank] ?? 0,
    shared,
    sharing: (place, wanted) => {
      const from = rankOf(place);
      // In steps that grow as long as all there share enough, then shrink: most runs are short.
      let low = from;
      let power = 0;
      const fits = (at: number): boolean => at >= 0 && (least[power]?.[at] ?? 0) >= wanted;
      for (; fits(low - 2 ** power + 1) && low - 2 ** power >= 0; power += 1) low -= 2 ** power;
      for (power -= 1; power >= 0; power -= 1)
        if (fits(low - 2 ** power + 1) && low - 2 ** power >= 0) low -= 2 ** power;
      let high = from;
      for (power = 0; high + 2 ** power < size && fits(high + 1); power += 1) high += 2 ** power;
      for (power -= 1; power >= 0; power -= 1) if (high + 2 ** power < size && fits(high + 1)) high += 2 ** power;
      return [low, high];
    },
    mostShared: (place) => Math.max(neighbours[rankOf(place)] ?? 0, neighbours[rankOf(place) + 1] ?? 0),
  };
}
