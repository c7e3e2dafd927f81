/** What stands in the music of a tune besides words: quoted text, decorations, fields in brackets. */
const ASIDES = /"[^"]*"|![^!\s]*!|\+[a-z]+\+|\[[A-Za-z]:[^\]]*\]/g;
/** Letters that no note, rest or decoration of the standard is written with. */
const NO_MUSIC = /[h-mo-tw]/;

/**
 * Whether a line is prose and no music, as it may stand between the tunes of a book.
 *
 * @example isProse('Collected in the north.') // → true
 */
export const isProse = (line: string): boolean => NO_MUSIC.test(line.replace(ASIDES, ''));
