/** Bars cut out of a score as a small document for the engraver. */
export { writeExcerpt, type ExcerptRequest } from './write-excerpt';
