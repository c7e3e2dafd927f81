/** What is typed and not kept yet. */
export { KeptField } from './kept-field';
export { useDraft, useDraftText } from './use-draft';
