/**
 * Bars found on pages whose bars are known: pieces engraved by Verovio in its music fonts, drawn by resvg, spoiled as
 * scanners and cameras do. Nothing was tuned on the pieces of `held-out`.
 */
import { describe, expect, it } from 'vitest';
import { readPage, type Picture } from '@/core/page';
import { engravePage, type TruePage } from './engrave-page';
import { scoreOf, shareFound } from './page-score';
import { PAGE_KINDS, spoilPage, type PageKind } from './spoil-page';

const HELD_OUT = 'tests/pieces/held-out';
/** In two of the fonts. */
const PIECES = [
  [`${HELD_OUT}/five-eight.abc`, 'Bravura', 6.4],
  [`${HELD_OUT}/silent-night.abc`, 'Leland', 7.2],
] as const;
/** Each kind on one of them. */
const PIECE_FOR: Readonly<Record<PageKind, 0 | 1>> = { scan: 0, turned: 1, photo: 0, hard: 1 };

const pageOf = async ([file, font, staff]: (typeof PIECES)[number]): Promise<TruePage> => {
  const page = await engravePage(file, { font, dpi: 150, staff });
  if (!page) throw new Error(`${file} has no page.`);
  return page;
};

/** What is to be found at least, by kind: of one page, so that one bar is some in a hundred. */
const LEAST: Readonly<Record<PageKind, number>> = { scan: 0.99, turned: 0.97, photo: 0.95, hard: 0.85 };

describe.each(PAGE_KINDS)('bars on a page as a %s', (kind) => {
  it('are found where they are', { timeout: 120_000 }, async () => {
    const page = spoilPage(await pageOf(PIECES[PIECE_FOR[kind]]), kind, 11);
    const score = scoreOf(readPage(page.picture), page);
    expect(shareFound([score])).toBeGreaterThanOrEqual(LEAST[kind]);
    expect(score.systemsRight).toBe(true);
    const off = [...score.cornersOff].sort((a, b) => a - b);
    expect(off[Math.floor(off.length / 2)]).toBeLessThanOrEqual(3);
  });
});

/** A page turned, made larger or smaller, and lighter or darker. */
function changed({ width, height, gray }: Picture, degrees: number, zoom: number, brighter: number): Picture {
  const [w, h] = [Math.round(width * zoom), Math.round(height * zoom)];
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const out = new Uint8Array(w * h).fill(Math.max(0, Math.min(255, 240 + brighter)));
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      const [u, v] = [(x - w / 2) / zoom, (y - h / 2) / zoom];
      const px = cos * u + sin * v + width / 2;
      const py = cos * v - sin * u + height / 2;
      const [ix, iy] = [Math.floor(px), Math.floor(py)];
      if (ix < 0 || iy < 0 || ix >= width - 1 || iy >= height - 1) continue;
      const at = iy * width + ix;
      const [fx, fy] = [px - ix, py - iy];
      const above = (gray[at] ?? 0) * (1 - fx) + (gray[at + 1] ?? 0) * fx;
      const below = (gray[at + width] ?? 0) * (1 - fx) + (gray[at + width + 1] ?? 0) * fx;
      out[y * w + x] = Math.max(0, Math.min(255, 0.9 * (above * (1 - fy) + below * fy) + 12 + brighter));
    }
  return { width: w, height: h, gray: out };
}
/** A grey for each pixel that follows from nothing (xorshift, Marsaglia 2003). */
function noise(seed: number): (i: number) => number {
  return (i) => {
    let x = Math.imul(i + 1, 0x9e3779b1) ^ seed;
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    return Math.imul(x, 0x85ebca6b) >>> 24;
  };
}
const counts = (picture: Picture): readonly number[] => readPage(picture).systems.map((s) => s.bars.length);

describe('the number of bars', () => {
  it.each([
    [5, 0.75, 20],
    [-5, 1, -40],
    [-1, 2, 0],
  ])('is the same turned by %d degrees, %d times as large, %d greys lighter', { timeout: 60_000 }, async (...how) => {
    const { picture, systems } = await pageOf(PIECES[1]);
    expect(counts(changed(picture, ...how))).toEqual(systems.map((s) => s.length));
  });
  it('is the same on its side', { timeout: 60_000 }, async () => {
    const { picture, systems } = await pageOf(PIECES[1]);
    const { width, height, gray } = picture;
    const side = new Uint8Array(gray.length);
    // A quarter turn to the left.
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1) side[(width - 1 - x) * height + y] = gray[y * width + x] ?? 255;
    expect(counts({ width: height, height: width, gray: side })).toEqual(systems.map((s) => s.length));
  });
  it.each([
    ['white paper', () => 255],
    ['noise', noise(5)],
    ['pale noise', (i: number) => 225 + noise(6)(i) / 12],
    ['a shade from light to dark', (i: number) => Math.floor((i % 900) / 4)],
  ] as const)('is none on %s', (_, grey) => {
    expect(
      counts({ width: 900, height: 1200, gray: Uint8Array.from({ length: 900 * 1200 }, (_v, i) => grey(i)) }),
    ).toEqual([]);
  });
  it('is none where there is hardly a picture', () => {
    for (const [width, height] of [
      [0, 0],
      [1, 1],
      [3, 2000],
      [2000, 3],
    ] as const)
      expect(counts({ width, height, gray: new Uint8Array(width * height) })).toEqual([]);
  });
});
