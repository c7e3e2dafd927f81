import { dayInWords, shortDay } from '@/core/studio';

/** The language that the browser is set to. */
const language = (): string => (typeof navigator === 'undefined' ? 'en-GB' : navigator.language);

/** A day in a few letters, in the words of the browser's language. */
export const dayWords = (day: string): string => shortDay(day, language());

/** A day with its name, in the words of the browser's language. */
export const longDayWords = (day: string): string => dayInWords(day, language());
