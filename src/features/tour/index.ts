/** A tour of the demo studio. */
export { TourCard, useTour } from './tour';
