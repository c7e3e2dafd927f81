/** A number with its word: `1 day`, `3 days`. */
export const counted = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;
