/**
 * Pages as pictures. In: greys of a photograph or a scan. Out: where its systems and bars are, as corners in that
 * picture. No model: staff lines are followed, strokes through them are measured.
 */
export type { Picture } from './picture';
export {
  readPage,
  type BarEdge,
  type PageBar,
  type PageCorners,
  type PageOptions,
  type PagePoint,
  type PageSystem,
  type ReadPage,
} from './read-page';
