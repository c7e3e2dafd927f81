import type { Picture } from './picture';
import type { Orientation } from './picture-file';
import { quarterTurned } from './resample';

const halfTurned = ({ width, height, gray }: Picture): Picture => ({ width, height, gray: gray.slice().reverse() });

/**
 * A picture brought upright.
 *
 * @example turned({ width: 2, height: 1, gray: new Uint8Array([0, 255]) }, 'upside-down').gray[0] // → 255
 */
export const turned = (picture: Picture, turn: Orientation): Picture => {
  switch (turn) {
    case 'upright':
      return picture;
    case 'right':
      return quarterTurned(picture);
    case 'upside-down':
      return halfTurned(picture);
    case 'left':
      return halfTurned(quarterTurned(picture));
  }
};

/**
 * Where a point of the picture that was brought upright lies in the picture as it came, of that width and height.
 *
 * @example turnedBack('upside-down', { width: 10, height: 20 }, [0, 0]) // → [9, 19]
 */
export function turnedBack(
  turn: Orientation,
  { width, height }: Pick<Picture, 'width' | 'height'>,
  [x, y]: readonly [number, number],
): readonly [number, number] {
  switch (turn) {
    case 'upright':
      return [x, y];
    case 'right':
      return [y, height - 1 - x];
    case 'upside-down':
      return [width - 1 - x, height - 1 - y];
    case 'left':
      return [width - 1 - y, x];
  }
}
