export { midSentence } from './mid-sentence';
export { sayIn, WRITTEN_WORDS } from './words';
export type { Words } from './words';
