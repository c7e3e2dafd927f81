/** How it is taught: the questions teachers disagree on, for the studio, a student or a piece. */
export { TeachingChoices } from './teaching-choices';
