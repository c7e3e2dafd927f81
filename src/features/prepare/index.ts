/** The whole proposal for a piece at a glance, taken in one go, and for whom. */
export { PrepareScreen } from './prepare-screen';
