/** The demo studio and its composed pieces. In: a date. Out: a studio. */
export { buildDemoStudio } from './build-demo';
export { SHIPPED_PIECES, type ShippedPiece } from './shipped';
