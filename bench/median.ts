/** The one in the middle; of an even number the later of two. NaN of none. */
export const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[list.length >> 1] ?? Number.NaN;
