/**
 * What happens to a page between the printer and the computer: it is scanned, turned, photographed by a lamp, bent at
 * the spine, blurred, written on. The true corners go along.
 */
import type { PageCorners, PagePoint, Picture } from '../../src/core/page';
import type { TruePage } from './engrave-page';
import { randomFrom } from './random';

export const PAGE_KINDS = ['scan', 'turned', 'photo', 'hard'] as const;
export type PageKind = (typeof PAGE_KINDS)[number];

/** How a page lies before the lens: bent, then seen at an angle. Coordinates in shares of the page's width. */
interface Lie {
  /** Radians that it is turned. */
  readonly turn: number;
  /** How much narrower its top is than its foot, and its left than its right. */
  readonly keystone: PagePoint;
  /** How far the middle of a line is lifted, and how far its beginning at the spine. */
  readonly bend: PagePoint;
  /** Empty table on each side, of the width. */
  readonly table: number;
}

interface Light {
  /** Grey of paper and ink, 0 to 255. */
  readonly paper: number;
  readonly ink: number;
  /** How much darker it is at the far corner, and in which direction that lies. */
  readonly falloff: number;
  readonly towards: number;
  /** The edge of a shadow across the page: how dark, and where. */
  readonly shadow: number;
  readonly shadowAt: number;
  readonly tableGrey: number;
}

interface Camera {
  /** Standard deviations: of blur in pixels, of noise in greys. */
  readonly blur: number;
  readonly noise: number;
}

interface Spoiling {
  readonly lie: Lie;
  readonly light: Light;
  readonly camera: Camera;
  /** Strokes of a pencil, stains, the page behind shining through, a finger at the edge. */
  readonly strokes: number;
  readonly stains: number;
  readonly behind: number;
  readonly finger: boolean;
}

const FLAT: Lie = { turn: 0, keystone: [0, 0], bend: [0, 0], table: 0 };
const EVEN: Light = { paper: 255, ink: 0, falloff: 0, towards: 0, shadow: 0, shadowAt: 0, tableGrey: 255 };
const degrees = (d: number): number => (d * Math.PI) / 180;

function spoiling(kind: PageKind, random: () => number): Spoiling {
  const between = (a: number, b: number): number => a + (b - a) * random();
  const either = (most: number): number => between(-most, most);
  const clean: Spoiling = {
    lie: FLAT,
    light: EVEN,
    camera: { blur: 0.4, noise: 2 },
    strokes: 0,
    stains: 0,
    behind: 0,
    finger: false,
  };
  switch (kind) {
    case 'scan':
      return clean;
    case 'turned':
      return {
        ...clean,
        lie: { ...FLAT, turn: degrees(either(1.5)) },
        light: { ...EVEN, paper: between(225, 250), ink: between(20, 70) },
        camera: { blur: between(0.4, 0.8), noise: between(2, 6) },
        behind: random() < 0.3 ? 0.12 : 0,
      };
    case 'photo':
      return {
        lie: {
          turn: degrees(either(2.5)),
          keystone: [either(0.03), either(0.03)],
          bend: [either(0.006), 0],
          table: between(0.01, 0.05),
        },
        light: {
          paper: between(190, 235),
          ink: between(30, 70),
          falloff: between(0.1, 0.4),
          towards: between(0, 6.28),
          shadow: 0,
          shadowAt: 0,
          tableGrey: between(40, 140),
        },
        camera: { blur: between(0.5, 0.9), noise: between(3, 7) },
        strokes: random() < 0.5 ? 3 : 0,
        stains: random() < 0.3 ? 2 : 0,
        behind: random() < 0.3 ? 0.1 : 0,
        finger: random() < 0.3,
      };
    case 'hard':
      return {
        lie: {
          turn: degrees(either(4)),
          keystone: [either(0.07), either(0.06)],
          bend: [either(0.015), between(0, 0.02)],
          table: between(0.02, 0.08),
        },
        light: {
          paper: between(160, 215),
          ink: between(45, 90),
          falloff: between(0.25, 0.5),
          towards: between(0, 6.28),
          shadow: between(0.2, 0.45),
          shadowAt: between(0.2, 0.8),
          tableGrey: between(30, 150),
        },
        camera: { blur: between(0.9, 1.4), noise: between(6, 12) },
        strokes: 8,
        stains: 3,
        behind: random() < 0.5 ? 0.12 : 0,
        finger: random() < 0.5,
      };
  }
}

/** Paper and ink as they are before the lens: 0 paper to 1 ink, with what was written on it. */
function written(
  { picture, systems }: TruePage,
  { strokes, stains, behind }: Spoiling,
  random: () => number,
): Float32Array {
  const { width, height, gray } = picture;
  const ink = new Float32Array(gray.length);
  for (let i = 0; i < ink.length; i += 1) ink[i] = 1 - (gray[i] ?? 255) / 255;
  if (behind > 0)
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1) {
        const other = 1 - (gray[((y + 37) % height) * width + (width - 1 - x)] ?? 255) / 255;
        const at = y * width + x;
        ink[at] = Math.max(ink[at] ?? 0, other * behind);
      }
  const dot = (x: number, y: number, r: number, dark: number): void => {
    for (let dy = -Math.ceil(r); dy <= r; dy += 1)
      for (let dx = -Math.ceil(r); dx <= r; dx += 1) {
        const [px, py] = [Math.round(x + dx), Math.round(y + dy)];
        if (dx * dx + dy * dy > r * r || px < 0 || py < 0 || px >= width || py >= height) continue;
        ink[py * width + px] = Math.max(ink[py * width + px] ?? 0, dark);
      }
  };
  const all = systems.flat();
  for (let s = 0; s < strokes; s += 1) {
    // Written near the music, as teachers do: digits and rings of a soft pencil.
    const bar = all[Math.floor(random() * all.length)];
    if (!bar) break;
    const [[x0, y0], [x1], [, y1]] = bar;
    const cx = x0 + (x1 - x0) * random();
    const cy = y0 + (y1 - y0) * (random() * 1.4 - 0.2);
    const [rx, ry] = [4 + 16 * random(), 6 + 22 * random()];
    const [from, sweep] = [6.28 * random(), 2 + 4 * random()];
    const dark = 0.35 + 0.35 * random();
    for (let t = 0; t < 120; t += 1)
      dot(cx + rx * Math.cos(from + (sweep * t) / 120), cy + ry * Math.sin(from + (sweep * t) / 120), 1.1, dark);
  }
  for (let s = 0; s < stains; s += 1) {
    const [cx, cy, r] = [width * random(), height * random(), 20 + 60 * random()];
    const dark = 0.06 + 0.12 * random();
    for (let y = Math.max(0, Math.floor(cy - r)); y < Math.min(height, cy + r); y += 1)
      for (let x = Math.max(0, Math.floor(cx - r)); x < Math.min(width, cx + r); x += 1) {
        const d = Math.hypot(x - cx, y - cy) / r;
        if (d < 1) ink[y * width + x] = Math.max(ink[y * width + x] ?? 0, dark * (d > 0.8 ? 1 : 0.6));
      }
  }
  return ink;
}

/** From a point of the page to the picture, and back. */
function mapping({ turn, keystone: [kx, ky], bend: [bow, spine], table }: Lie, width: number, height: number) {
  const w = width * (1 + 2 * table);
  const h = height * (1 + 2 * table);
  const [cx, cy] = [width / 2, height / 2];
  const lift = (x: number): number =>
    width * (bow * Math.sin((Math.PI * x) / width) + spine * Math.exp(-x / (0.12 * width)));
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const lifts = Float64Array.from({ length: width }, (_, x) => lift(x));
  return {
    width: Math.round(w),
    height: Math.round(h),
    to: ([x, y]: PagePoint): PagePoint => {
      const by = y + lift(x);
      const [u, v] = [x - cx, by - cy];
      const d = 1 + (kx * v) / cy + (ky * u) / cx;
      const [pu, pv] = [u / d, v / d];
      return [w / 2 + cos * pu - sin * pv, h / 2 + sin * pu + cos * pv];
    },
    /** Into `out`, since it is asked for each pixel. */
    from: (X: number, Y: number, out: { x: number; y: number }): void => {
      const a = X - w / 2;
      const b = Y - h / 2;
      const pu = cos * a + sin * b;
      const pv = cos * b - sin * a;
      const d = 1 / (1 - (kx * pv) / cy - (ky * pu) / cx);
      out.x = pu * d + cx;
      out.y = pv * d + cy - (lifts[Math.max(0, Math.min(width - 1, Math.round(out.x)))] ?? 0);
    },
  };
}

/** Blurred with a Gaussian of a standard deviation in pixels. */
function blurred(source: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma <= 0) return source;
  const r = Math.ceil(3 * sigma);
  const kernel = Array.from({ length: 2 * r + 1 }, (_, i) => Math.exp(-((i - r) ** 2) / (2 * sigma * sigma)));
  const sum = kernel.reduce((a, b) => a + b, 0);
  const weights = Float32Array.from(kernel, (k) => k / sum);
  const pass = (from: Float32Array, step: number, length: number, stride: number, lines: number): Float32Array => {
    const to = new Float32Array(from.length);
    for (let k = -r; k <= r; k += 1) {
      const weight = weights[k + r] ?? 0;
      for (let l = 0; l < lines; l += 1)
        for (let i = 0; i < length; i += 1) {
          const at = i + k < 0 ? 0 : i + k >= length ? length - 1 : i + k;
          to[l * stride + i * step] = (to[l * stride + i * step] ?? 0) + weight * (from[l * stride + at * step] ?? 0);
        }
    }
    return to;
  };
  return pass(pass(source, 1, width, width, height), width, height, 1, width);
}

/** A page as it arrives, with the corners of its bars where they are then. */
export function spoilPage(page: TruePage, kind: PageKind, seed: number): TruePage {
  const random = randomFrom(seed);
  const how = spoiling(kind, random);
  const { lie, light, camera } = how;
  const { width, height } = page.picture;
  const ink = written(page, how, random);
  const map = mapping(lie, width, height);
  const value = new Float32Array(map.width * map.height);
  const inkAt = (x: number, y: number): number => {
    const x0 = Math.min(width - 2, Math.floor(x));
    const y0 = Math.min(height - 2, Math.floor(y));
    const fx = x - x0;
    const fy = y - y0;
    const at = y0 * width + x0;
    const above = (ink[at] ?? 0) * (1 - fx) + (ink[at + 1] ?? 0) * fx;
    const below = (ink[at + width] ?? 0) * (1 - fx) + (ink[at + width + 1] ?? 0) * fx;
    return above * (1 - fy) + below * fy;
  };
  const [lx, ly] = [Math.cos(light.towards), Math.sin(light.towards)];
  const finger = how.finger ? [map.width * (random() < 0.5 ? 0 : 1), map.height * (0.3 + 0.6 * random())] : null;
  const from = { x: 0, y: 0 };
  for (let Y = 0; Y < map.height; Y += 1)
    for (let X = 0; X < map.width; X += 1) {
      map.from(X, Y, from);
      const { x, y } = from;
      const isPaper = x >= 0 && y >= 0 && x < width && y < height;
      let grey = isPaper
        ? light.paper + (light.ink - light.paper) * inkAt(x, y)
        : light.tableGrey + 12 * Math.sin(X / 23 + Y / 17);
      const across = ((X / map.width - 0.5) * lx + (Y / map.height - 0.5) * ly) / 1.42 + 0.5;
      grey *= 1 - light.falloff * across;
      if (light.shadow > 0) {
        const edge = X / map.width - light.shadowAt - 0.25 * (Y / map.height - 0.5);
        grey *= 1 - light.shadow / (1 + Math.exp(-edge * map.width * 0.15));
      }
      if (finger && Math.hypot((X - (finger[0] ?? 0)) / 1.6, Y - (finger[1] ?? 0)) < map.width * 0.035) grey = 120;
      value[Y * map.width + X] = grey;
    }
  const soft = blurred(value, map.width, map.height, camera.blur);
  const gray = new Uint8Array(soft.length);
  const bells = Float32Array.from(
    { length: 1 << 14 },
    () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(6.2832 * random()),
  );
  for (let i = 0; i < soft.length; i += 1) {
    const bell = bells[Math.floor(random() * bells.length)] ?? 0;
    gray[i] = Math.max(0, Math.min(255, Math.round((soft[i] ?? 0) + camera.noise * bell)));
  }
  const picture: Picture = { width: map.width, height: map.height, gray };
  const moved = (c: PageCorners): PageCorners => [map.to(c[0]), map.to(c[1]), map.to(c[2]), map.to(c[3])];
  return { picture, systems: page.systems.map((s) => s.map(moved)) };
}
