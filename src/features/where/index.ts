/** Who, what and where: the state that the address bar tells. */
export { SIDE_STAGES, STAGES, useWhere, type Stage, type Where, type WhereAccess } from './use-where';
