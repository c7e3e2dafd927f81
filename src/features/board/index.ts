/** The stage Board. */
export { BoardScreen } from './board-screen';
