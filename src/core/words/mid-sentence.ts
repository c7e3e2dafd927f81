/**
 * A sentence as it goes on inside another one, behind a colon or a comma: with a small first letter.
 *
 * @example midSentence('Tap the rhythm') // → 'tap the rhythm'
 */
export const midSentence = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
