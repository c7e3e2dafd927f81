/** Finds anything by typing. */
export { Finder } from './finder';
