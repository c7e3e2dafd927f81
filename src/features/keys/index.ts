/** The keys of every stage: one table for those who listen and for the list. */
export { keysOf } from './keys-table';
export { actionsNow, useKey } from './use-key';
