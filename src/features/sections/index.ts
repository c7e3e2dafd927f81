/** The stage Sections. */
export { SectionsScreen } from './sections-screen';
