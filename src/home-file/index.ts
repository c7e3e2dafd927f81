/**
 * The file for home. In: the sheet of a week with its music, and the program that was built for it. Out: one page that
 * shows, plays, counts and ticks without a network, and says what was done. `main.tsx` is where the program begins.
 */
export { homePage, type HomeProgram } from './home-page';
export type { HomeWeek } from './home-week';
export { makeHomeWeek, type HomeFileRequest } from './make-home-week';
