/** The stage Ladder. */
export { LadderScreen } from './ladder-screen';
