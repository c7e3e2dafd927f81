/**
 * Words as a sentence: with a capital and a full stop.
 *
 * @example sentence('it leads on') // → 'It leads on.'
 */
export const sentence = (words: string): string =>
  `${words.charAt(0).toUpperCase()}${words.slice(1)}${/[.!?]$/.test(words) ? '' : '.'}`;
