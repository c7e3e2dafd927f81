/** What was removed, and the way back. */
export { RemovedRows } from './removed-rows';
