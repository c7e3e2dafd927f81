import { inkOf } from './even-light';
import type { Picture } from './picture';
import { stripsOf, type Plane } from './plane';
import { isRowInside, quarterTurned, resampled, shrunk, type Frame } from './resample';
import { staffSpace, tiltOf } from './tilt';

/** Pixels from line to line at which everything is looked for. */
const WORKING_SPACE = 14;
/** Pixels of the longer side at which tilt and distance are measured. */
const FIRST_LOOK = 1900;
/** Of the straightened picture no side is longer. */
const MOST_PIXELS = 4200;
const CELL = 32;

/** A page turned upright and level, at a size where its staves have a usual one. */
export interface Straight {
  readonly ink: Plane;
  /** Where its pixels lie in the picture as it came. */
  readonly frame: Frame;
  /** Pixels from line to line. */
  readonly space: number;
}

const measured = (picture: Picture) => {
  const strips = stripsOf(inkOf(picture, CELL), 16, 16);
  const slope = tiltOf(strips);
  return { slope, ...staffSpace(strips, slope) };
};

/** Pixels at the rim of a picture in which nothing is looked for. */
const RIM = 4;

/** Nothing lies outside of the picture as it came. */
function onlyInside(ink: Plane, frame: Frame, { width, height }: Picture): Plane {
  const { values } = ink;
  for (let y = 0; y < ink.height; y += 1) {
    if (isRowInside(frame, y, ink.width, { width, height }, RIM)) continue;
    for (let x = 0; x < ink.width; x += 1) {
      const px = frame.x0 + frame.xx * x + frame.yx * y;
      const py = frame.y0 + frame.xy * x + frame.yy * y;
      if (px < RIM || py < RIM || px >= width - RIM || py >= height - RIM) values[y * ink.width + x] = 0;
    }
  }
  return ink;
}

/** Turns the page upright and level and brings it to its working size; null where it has no lines. */
export function straighten(picture: Picture): Straight | null {
  const by = Math.max(1, Math.round(Math.max(picture.width, picture.height) / FIRST_LOOK));
  const first = shrunk(picture, by);
  const upright = measured(first);
  const sideways = measured(quarterTurned(first));
  const isTurned = sideways.strength > 1.5 * upright.strength;
  const { slope, space } = isTurned ? sideways : upright;
  const found = space * by;
  if (found <= 0) return null;
  const [width, height] = isTurned ? [picture.height, picture.width] : [picture.width, picture.height];
  const angle = Math.atan(slope);
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const zoom = Math.min(WORKING_SPACE / found, MOST_PIXELS / Math.max(width, height));
  // What is made much smaller is averaged first.
  const before = Math.max(1, Math.floor(1 / zoom / 1.5));
  const small = shrunk(picture, before);
  const w = Math.ceil((Math.abs(cos) * width + Math.abs(sin) * height) * zoom);
  const h = Math.ceil((Math.abs(sin) * width + Math.abs(cos) * height) * zoom);
  // From the middle of the straight picture to the middle of the upright one, then back through the quarter turn.
  const ux = cos / zoom;
  const uy = sin / zoom;
  const cx = width / 2 - ux * (w / 2) + uy * (h / 2);
  const cy = height / 2 - uy * (w / 2) - ux * (h / 2);
  const frame: Frame = isTurned
    ? { x0: cy, y0: picture.height - 1 - cx, xx: uy, xy: -ux, yx: ux, yy: uy }
    : { x0: cx, y0: cy, xx: ux, xy: uy, yx: -uy, yy: ux };
  const scaled: Frame = {
    x0: (frame.x0 - (before - 1) / 2) / before,
    y0: (frame.y0 - (before - 1) / 2) / before,
    xx: frame.xx / before,
    xy: frame.xy / before,
    yx: frame.yx / before,
    yy: frame.yy / before,
  };
  const straight = resampled(small, scaled, w, h);
  return { ink: onlyInside(inkOf(straight, CELL), frame, picture), frame, space: found * zoom };
}
