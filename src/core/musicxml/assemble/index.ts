/** Parts as read, put together to one score. */
export { assembleScore } from './assemble-score';
export { fillBarRepeats } from './bar-repeats';
