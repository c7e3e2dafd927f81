/** The stage About. */
export { AboutScreen } from './about-screen';
