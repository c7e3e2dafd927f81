/** Choosing whom a stage is about, where nobody is chosen yet. */
export { ChooseStudent } from './choose-student';
