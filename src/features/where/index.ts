/** Who, what and where: the state that the address bar tells. */
export { parseBars, SIDE_STAGES, STAGES, useWhere, type Stage, type Where } from './use-where';
