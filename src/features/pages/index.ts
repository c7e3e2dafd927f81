/** Printed pages: bringing them in as pictures or PDFs, and correcting the bars that were found on them. */
export { BarPicture } from './bar-picture';
export { BringPagesDialog } from './bring-pages-dialog';
export { isPageFile } from './page-sources';
export { CorrectPages } from './correct-pages';
export { PrintedPages } from './page-list';
export { PageQuestions } from './page-questions';
export { sayingOf, useEditPaper, usePaper } from './use-paper';
