/** The stage Files. */
export { FilesScreen } from './files-screen';
