/** The sheet for home: looked at as it is printed. */
export { SheetScreen } from './sheet-screen';
