import type { Picture } from './picture';

/**
 * What is darker hangs together: first only what is dark, since a shadow may join it with the music; then what is left
 * of it.
 */
const DARKER = [110, 225] as const;
const WHITE = 255;
/** So many pixels around what is taken away go with it: its rim is grey. */
const RIM = 2;
/** What comes in from the rim and is larger than a square of so many spaces is the table, a shadow or a finger. */
const LARGE = 4;

/** A rectangle of a picture in which music stands. */
export interface MusicArea {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** A picture without what is darker than `dark` and hangs together from its rim on. */
function withoutRim({ width, height, gray }: Picture, space: number, music: Uint8Array, dark: number): Picture {
  const clean = new Uint8Array(gray);
  const seen = new Uint8Array(gray.length);
  const stack: number[] = [];
  const take = (x: number, y: number): void => {
    if (x < 0 || y < 0 || x >= width || y >= height) return;
    const at = y * width + x;
    if (seen[at] === 1 || (gray[at] ?? WHITE) >= dark) return;
    seen[at] = 1;
    stack.push(at);
  };
  const clear = (x: number, y: number): void => {
    const piece: number[] = [];
    let isMusic = false;
    take(x, y);
    for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
      piece.push(at);
      isMusic ||= music[at] === 1;
      const [px, py] = [at % width, Math.floor(at / width)];
      for (let dy = -1; dy <= 1; dy += 1) for (let dx = -1; dx <= 1; dx += 1) take(px + dx, py + dy);
    }
    if (isMusic || piece.length <= (LARGE * space) ** 2) return;
    for (const at of piece) {
      const [px, py] = [at % width, Math.floor(at / width)];
      const [from, to] = [Math.max(0, px - RIM), Math.min(width, px + RIM + 1)];
      for (let row = Math.max(0, py - RIM); row <= Math.min(height - 1, py + RIM); row += 1)
        clean.fill(WHITE, row * width + from, row * width + to);
    }
  };
  for (let x = 0; x < width; x += 1) {
    clear(x, 0);
    clear(x, height - 1);
  }
  for (let y = 0; y < height; y += 1) {
    clear(0, y);
    clear(width - 1, y);
  }
  return { width, height, gray: clean };
}

/**
 * A page without what lies beside it: all that is dark and hangs together from the rim of the picture on, but for what
 * reaches into the music.
 *
 * @param space pixels from line to line
 */
export function withoutEdges(picture: Picture, space: number, areas: readonly MusicArea[]): Picture {
  const { width, height } = picture;
  const music = new Uint8Array(picture.gray.length);
  for (const { left, right, top, bottom } of areas)
    for (let y = Math.max(0, Math.round(top)); y < Math.min(height, bottom); y += 1)
      music.fill(1, y * width + Math.max(0, Math.round(left)), y * width + Math.min(width, Math.round(right)));
  return DARKER.reduce((page, dark) => withoutRim(page, space, music, dark), picture);
}
