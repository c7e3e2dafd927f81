import type { Picture } from './picture';
import type { Plane } from './plane';

/** Of a place, this share of the pixels is darker than the paper, or is paper. */
const PAPER_SHARE = 0.8;
/** Paper that is darker than this is a table or a hole: what noise there is in it is not made larger. */
const DARKEST_PAPER = 60;
const GREYS = 256;

/** The grey of the paper in cells of a page, each with those around it. */
function paperOf({ width, height, gray }: Picture, cell: number) {
  const columns = Math.ceil(width / cell);
  const rows = Math.ceil(height / cell);
  const counts = new Uint32Array(columns * rows * GREYS);
  for (let y = 0; y < height; y += 2) {
    const row = Math.floor(y / cell) * columns;
    for (let c = 0; c < columns; c += 1) {
      const at = (row + c) * GREYS;
      const end = Math.min(width, (c + 1) * cell);
      for (let x = c * cell; x < end; x += 2) {
        const grey = at + (gray[y * width + x] ?? 0);
        counts[grey] = (counts[grey] ?? 0) + 1;
      }
    }
  }
  const paper = new Float32Array(columns * rows);
  // Of each column of cells those of three rows together; of each cell then those of three columns.
  const three = new Uint32Array(columns * GREYS);
  for (let r = 0; r < rows; r += 1) {
    three.fill(0);
    for (let j = Math.max(0, r - 1); j <= Math.min(rows - 1, r + 1); j += 1)
      for (let i = 0; i < three.length; i += 1) three[i] = (three[i] ?? 0) + (counts[j * three.length + i] ?? 0);
    for (let c = 0; c < columns; c += 1) {
      const first = Math.max(0, c - 1) * GREYS;
      const last = Math.min(columns - 1, c + 1) * GREYS;
      const around = (g: number): number => {
        let n = 0;
        for (let i = first; i <= last; i += GREYS) n += three[i + g] ?? 0;
        return n;
      };
      let all = 0;
      for (let i = first; i < last + GREYS; i += 1) all += three[i] ?? 0;
      // Counted from the brightest: most of a page is paper.
      let right = all * (1 - PAPER_SHARE);
      let g = GREYS - 1;
      while (g > 0 && right >= around(g)) {
        right -= around(g);
        g -= 1;
      }
      paper[r * columns + c] = Math.max(DARKEST_PAPER, g);
    }
  }
  return { columns, rows, paper };
}

/**
 * How much darker than its paper each pixel is, from 0 to 1, however the page is lit: the grey of the paper is that
 * below which four fifths of the pixels around lie, between the middles of cells in a straight line. In the manner of
 * local thresholds (Sauvola and Pietikäinen, "Adaptive document image binarization", Pattern Recognition 33, 2000),
 * without their threshold: what follows compares, and does not cut.
 */
export function inkOf(picture: Picture, cell: number): Plane {
  const { width, height, gray } = picture;
  const { columns, rows, paper } = paperOf(picture, cell);
  const values = new Float32Array(width * height);
  const here = new Float32Array(columns);
  for (let y = 0; y < height; y += 1) {
    const r = Math.max(0, Math.min(rows - 1, (y + 0.5) / cell - 0.5));
    const above = Math.max(0, Math.min(rows - 2, Math.floor(r))) * columns;
    const share = rows > 1 ? r - above / columns : 0;
    const below = above + (rows > 1 ? columns : 0);
    for (let c = 0; c < columns; c += 1)
      here[c] = (paper[above + c] ?? 0) * (1 - share) + (paper[below + c] ?? 0) * share;
    // From the middle of one cell to that of the next the paper changes evenly; beyond the outermost it stays.
    for (let c = -1; c < columns; c += 1) {
      const from = here[Math.max(0, c)] ?? 0;
      const step = ((here[Math.min(columns - 1, c + 1)] ?? 0) - from) / cell;
      const middle = (c + 0.5) * cell - 0.5;
      const end = Math.min(width, Math.ceil(middle + cell));
      for (let x = Math.max(0, Math.ceil(middle)); x < end; x += 1) {
        const at = y * width + x;
        const dark = 1 - (gray[at] ?? 255) / (from + step * (x - middle));
        values[at] = dark > 0 ? dark : 0;
      }
    }
  }
  return { width, height, values };
}
