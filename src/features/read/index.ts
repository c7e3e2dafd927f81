/** The stage Read. */
export { ReadScreen } from './read-screen';
