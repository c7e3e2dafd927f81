/**
 * What a bar is called: by its number, or by its own name where it has one.
 *
 * @example namedBar('5') // → 'bar 5'
 */
export const namedBar = (label: string): string => (/^\d/.test(label) ? `bar ${label}` : label);
