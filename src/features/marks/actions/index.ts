export { markActions, type MarkActions } from './mark-actions';
export type { MicroSign } from './sign-actions';
