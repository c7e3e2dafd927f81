export { markLanes } from './mark-lanes';
