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

/** The part of a picture that a frame shows, in so many pixels; white where there is none. */
export function resampled(picture: Picture, frame: Frame, width: number, height: number): Picture {
  const gray = new Uint8Array(width * height);
  const { x0, y0, xx, xy, yx, yy } = frame;
  const right = picture.width - 1;
  const foot = picture.height - 1;
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      // The edge goes on outwards: a white rim would be lines of its own.
      const px = Math.max(0, Math.min(right, x0 + xx * x + yx * y));
      const py = Math.max(0, Math.min(foot, y0 + xy * x + yy * y));
      const ix = Math.min(right - 1, Math.floor(px));
      const iy = Math.min(foot - 1, Math.floor(py));
      const fx = px - ix;
      const fy = py - iy;
      const at = iy * picture.width + ix;
      const above = (picture.gray[at] ?? 0) * (1 - fx) + (picture.gray[at + 1] ?? 0) * fx;
      const below =
        (picture.gray[at + picture.width] ?? 0) * (1 - fx) + (picture.gray[at + picture.width + 1] ?? 0) * fx;
      gray[y * width + x] = Math.round(above * (1 - fy) + below * fy);
    }
  return { width, height, gray };
}
