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
  for (let y = 0; y < height; y += 2)
    for (let x = 0; x < width; x += 2) {
      const at = (Math.floor(y / cell) * columns + Math.floor(x / cell)) * GREYS + (gray[y * width + x] ?? 0);
      counts[at] = (counts[at] ?? 0) + 1;
    }
  const paper = new Float32Array(columns * rows);
  const around = new Uint32Array(GREYS);
  for (let r = 0; r < rows; r += 1)
    for (let c = 0; c < columns; c += 1) {
      around.fill(0);
      let all = 0;
      for (let j = Math.max(0, r - 1); j <= Math.min(rows - 1, r + 1); j += 1)
        for (let i = Math.max(0, c - 1); i <= Math.min(columns - 1, c + 1); i += 1)
          for (let g = 0; g < GREYS; g += 1) {
            const n = counts[(j * columns + i) * GREYS + g] ?? 0;
            around[g] = (around[g] ?? 0) + n;
            all += n;
          }
      let left = all * PAPER_SHARE;
      let g = 0;
      while (g < GREYS - 1 && left > (around[g] ?? 0)) {
        left -= around[g] ?? 0;
        g += 1;
      }
      paper[r * columns + c] = Math.max(DARKEST_PAPER, g);
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
  const left = new Int32Array(width);
  const share = new Float32Array(width);
  for (let x = 0; x < width; x += 1) {
    const c = Math.max(0, Math.min(columns - 1, (x + 0.5) / cell - 0.5));
    left[x] = Math.min(columns - 2, Math.floor(c));
    share[x] = c - (left[x] ?? 0);
  }
  for (let y = 0; y < height; y += 1) {
    const r = Math.max(0, Math.min(rows - 1, (y + 0.5) / cell - 0.5));
    const r0 = Math.max(0, Math.min(rows - 2, Math.floor(r)));
    const fr = rows > 1 ? r - r0 : 0;
    const below = rows > 1 ? columns : 0;
    for (let x = 0; x < width; x += 1) {
      const at = r0 * columns + Math.max(0, left[x] ?? 0);
      const fc = columns > 1 ? (share[x] ?? 0) : 0;
      const next = columns > 1 ? 1 : 0;
      const above = (paper[at] ?? 0) * (1 - fc) + (paper[at + next] ?? 0) * fc;
      const under = (paper[at + below] ?? 0) * (1 - fc) + (paper[at + below + next] ?? 0) * fc;
      const white = above * (1 - fr) + under * fr;
      const dark = (white - (gray[y * width + x] ?? 255)) / white;
      values[y * width + x] = dark > 0 ? dark : 0;
    }
  }
  return { width, height, values };
}
