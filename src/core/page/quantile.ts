/** Of values the one that so large a share of them does not exceed: 0.5 is their middle; 0 where there are none. */
export const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * share)] ?? 0;
