/**
 * Pages as pictures. In: greys of a photograph or a scan. Out: where its systems and bars are, as corners in that
 * picture. Staff lines are followed, strokes through them are measured.
 */
export type { Picture } from './picture';
export type { BarEdge, PageOptions } from './find-page';
export { flatPage, type FlatBar, type FlatPage, type FlatSystem } from './flat-page';
export { readPage, type PageBar, type PageCorners, type PagePoint, type PageSystem, type ReadPage } from './read-page';
export {
  greysOf,
  pictureFile,
  type Orientation,
  type PictureFile,
  type PictureFileCode,
  type PictureType,
} from './picture-file';
export { turned, turnedBack } from './turn';
