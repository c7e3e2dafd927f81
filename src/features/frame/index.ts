/** The frame: who and what, the stages, undo, keys. */
export { StudioShell } from './studio-shell';
