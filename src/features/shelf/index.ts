/** The stage Shelf. */
export { ShelfScreen } from './shelf-screen';
