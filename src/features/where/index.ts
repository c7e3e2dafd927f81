/** Who, what and where: the state that the address bar tells. */
export {
  STUDIO_STAGES,
  STAGES,
  useWhere,
  type Stage,
  type Where,
  type WhereAccess,
  type WhereChange,
} from './use-where';
