/** The stage Home: today's tasks of a student, one at a time, heard, counted and kept. */
export { HomeScreen } from './home-screen';
