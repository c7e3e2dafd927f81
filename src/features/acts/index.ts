/**
 * Doing things: running commands, saying what was done or why not, and what stands in the place of a screen that
 * failed.
 */
export { ProblemBoundary } from './problem-boundary';
export { SaveStudioButton, saveStudioFile } from './save-studio-file';
export { tell } from './tell';
export { showProblem, useActs, type Acts, type After } from './use-acts';
