/** The stage Marks. */
export { MarksScreen } from './marks-screen';
