import type { Picture } from './picture';

/** Where pixels of a straightened picture lie in the picture as it came: origin, and steps to the right and down. */
export interface Frame {
  readonly x0: number;
  readonly y0: number;
  readonly xx: number;
  readonly xy: number;
  readonly yx: number;
  readonly yy: number;
}

/** A place of the straightened picture in the picture as it came. */
export const backTo = ({ x0, y0, xx, xy, yx, yy }: Frame, x: number, y: number): readonly [number, number] => [
  x0 + xx * x + yx * y,
  y0 + xy * x + yy * y,
];

/** Smaller by a whole number, each pixel the mean of those it stands for. */
export function shrunk(picture: Picture, by: number): Picture {
  if (by <= 1) return picture;
  const width = Math.floor(picture.width / by);
  const height = Math.floor(picture.height / by);
  const gray = new Uint8Array(width * height);
  const row = new Uint32Array(width);
  for (let y = 0; y < height; y += 1) {
    row.fill(0);
    for (let j = 0; j < by; j += 1) {
      const at = (y * by + j) * picture.width;
      for (let x = 0; x < width; x += 1) {
        let sum = 0;
        for (let i = 0; i < by; i += 1) sum += picture.gray[at + x * by + i] ?? 0;
        row[x] = (row[x] ?? 0) + sum;
      }
    }
    for (let x = 0; x < width; x += 1) gray[y * width + x] = Math.round((row[x] ?? 0) / (by * by));
  }
  return { width, height, gray };
}

/** A quarter turn to the right. */
export function quarterTurned({ width, height, gray }: Picture): Picture {
  const turned = new Uint8Array(gray.length);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) turned[x * height + (height - 1 - y)] = gray[y * width + x] ?? 0;
  return { width: height, height: width, gray: turned };
}

/** Whether a whole row of a framed picture lies in the picture as it came, and so many pixels from its rim. */
export function isRowInside(
  { x0, y0, xx, xy, yx, yy }: Frame,
  y: number,
  length: number,
  { width, height }: Pick<Picture, 'width' | 'height'>,
  rim: number,
): boolean {
  const inside = (x: number): boolean => {
    const px = x0 + xx * x + yx * y;
    const py = y0 + xy * x + yy * y;
    return px >= rim && py >= rim && px < width - 1 - rim && py < height - 1 - rim;
  };
  // It is straight: where both ends are inside all of it is.
  return inside(0) && inside(length - 1);
}

/** The part of a picture that a frame shows, in so many pixels; its edge goes on where there is none. */
export function resampled(picture: Picture, frame: Frame, width: number, height: number): Picture {
  const gray = new Uint8Array(width * height);
  const { x0, y0, xx, xy, yx, yy } = frame;
  const { gray: from, width: step } = picture;
  const right = picture.width - 1;
  const foot = picture.height - 1;
  for (let y = 0; y < height; y += 1) {
    // A white rim would be lines of its own.
    const clamps = !isRowInside(frame, y, width, picture, 0);
    for (let x = 0; x < width; x += 1) {
      let px = x0 + xx * x + yx * y;
      let py = y0 + xy * x + yy * y;
      if (clamps) {
        px = Math.max(0, Math.min(right - 1e-3, px));
        py = Math.max(0, Math.min(foot - 1e-3, py));
      }
      const ix = Math.floor(px);
      const iy = Math.floor(py);
      const fx = px - ix;
      const at = iy * step + ix;
      const above = (from[at] ?? 0) * (1 - fx) + (from[at + 1] ?? 0) * fx;
      const below = (from[at + step] ?? 0) * (1 - fx) + (from[at + step + 1] ?? 0) * fx;
      gray[y * width + x] = Math.floor(above + (below - above) * (py - iy) + 0.5);
    }
  }
  return { width, height, gray };
}
