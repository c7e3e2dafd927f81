/** The store as a worker sees it: the database and whole studios, without anything of the screen. */
export { bindRecords } from './bind-records';
export { redoChange, undoChange } from './change-log';
export { StudioDatabase } from './database';
export { recordsOfStudent } from './find-records';
export { saveStudio } from './save-studio';
export { storageProblem } from './stored-problem';
export { fillStudio, putStudio } from './studio-data';
