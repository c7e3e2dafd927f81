/** The store as a worker sees it: the database and whole studios, without anything of the screen. */
export { StudioDatabase } from './database';
export { storageProblem } from './stored-problem';
export { putStudio, readStudio } from './studio-data';
