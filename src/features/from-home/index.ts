/** What comes back from home: dropped or pasted anywhere, or brought in by hand. */
export { FromHome } from './from-home';
export { FromHomeButton } from './from-home-button';
