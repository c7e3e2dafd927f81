/**
 * Small letters without their accents, for what is looked for.
 *
 * @example plainText('Ményuet') // → 'menyuet'
 */
export const plainText = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
