/** The keys of every stage: one table for those who listen and for the list. */
export { keyOf, KEYS, keysOf, type KeyId, type KeyPlace, type KeyUse } from './keys-table';
export { actionsNow, useKey } from './use-key';
