/**
 * Bars found on pages whose bars are known: pieces engraved by Verovio in its music fonts, drawn by resvg, spoiled as
 * scanners and cameras do. Nothing was tuned on the pieces of `held-out`.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { flatPage, readPage, turned, turnedBack, type Orientation, type PageCorners, type Picture } from '@/core/page';
import { engraveMusic, engravePage, MUSIC_FONTS, type MusicFont, type TruePage } from './engrave-page';
import { madeMusic, restingPart } from './made-music';
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

const pageOf = async ([file, font, staff]: readonly [string, MusicFont, number]): Promise<TruePage> => {
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

describe('music that nobody wrote, full of what can look like a bar line', () => {
  // Seeds on which no weight was fitted.
  it.each([
    [4242, 'scan', 0.95],
    [4245, 'photo', 0.9],
  ] as const)('%i as a %s', { timeout: 120_000 }, async (seed, kind, least) => {
    const made = await engraveMusic(madeMusic(seed), { font: 'Leipzig', dpi: 150, staff: 6.6 });
    if (!made) throw new Error('no page');
    const page = spoilPage(made, kind, 5);
    const score = scoreOf(readPage(page.picture), page);
    expect(score.bars).toBeGreaterThan(15);
    expect(shareFound([score])).toBeGreaterThanOrEqual(least);
    expect(score.systemsRight).toBe(true);
  });
});

describe('a page with a single staff', () => {
  it.each(['scan', 'photo'] as const)('is found as a %s', { timeout: 120_000 }, async (kind) => {
    const page = spoilPage(await pageOf([`${HELD_OUT}/five-eight.abc`, 'Leipzig', 6]), kind, 4);
    // Only the first system, on white paper.
    const [, second] = page.systems;
    const foot = Math.min(...(second ?? []).flatMap((bar) => bar.map(([, y]) => y))) - 30;
    const { width, height } = page.picture;
    const paper = page.picture.gray[Math.round(foot) * width + (width >> 1)] ?? 255;
    const gray = page.picture.gray.map((v, i) => (i < foot * width ? v : paper - (v % 5)));
    const read = readPage({ width, height, gray });
    expect(read.systems.map((s) => s.bars.length)).toEqual([page.systems[0]?.length]);
  });
});

describe('rests of several bars', () => {
  it.each(MUSIC_FONTS)('are told from bars of notes in %s', { timeout: 120_000 }, async (font) => {
    const page = await engraveMusic(restingPart([5, 12, 24]), { font, dpi: 150, staff: 6.5 });
    if (!page) throw new Error('no page');
    const bars = readPage(spoilPage(page, 'photo', 3).picture).systems.flatMap((s) => s.bars);
    // Two bars of notes before each, and one after the last.
    expect(bars.map((b) => b.longRest)).toEqual([false, false, true, false, false, true, false, false, true, false]);
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
/** Corners on a turned picture as they were before, clockwise from the top left one. */
function backTo(turn: Orientation, { width, height }: Picture, corners: PageCorners): PageCorners {
  const back = corners.map(([x, y]) => turnedBack(turn, { width, height }, [x, y]));
  const from = back.reduce(
    (best, [x, y], i) => (x + y < (back[best]?.[0] ?? 0) + (back[best]?.[1] ?? 0) ? i : best),
    0,
  );
  const at = (i: number): readonly [number, number] => back[(from + i) % 4] ?? [0, 0];
  return [at(0), at(1), at(2), at(3)];
}
const counts = (picture: Picture): readonly number[] => readPage(picture).systems.map((s) => s.bars.length);

describe('the number of bars', () => {
  it(
    'is the same turned by up to 5 degrees, 0.7 to 2 times as large, lighter or darker',
    { timeout: 120_000 },
    async () => {
      const { picture, systems } = await pageOf(PIECES[1]);
      fc.assert(
        fc.property(
          fc.double({ min: -5, max: 5, noNaN: true }),
          fc.double({ min: 0.7, max: 2, noNaN: true }),
          fc.integer({ min: -40, max: 20 }),
          (...how) => {
            expect(counts(changed(picture, ...how))).toEqual(systems.map((s) => s.length));
          },
        ),
        { numRuns: 4, examples: [[5, 0.7, 20]], endOnFailure: true },
      );
    },
  );
  it.each(['right', 'left', 'upside-down'] as const)(
    'is the same however it lies: %s',
    { timeout: 60_000 },
    async (turn) => {
      const page = await pageOf(PIECES[1]);
      const picture = turned(page.picture, turn);
      const read = readPage(picture);
      expect(read.systems.map((s) => s.bars.length)).toEqual(page.systems.map((s) => s.length));
      // And every bar is found where it lies in that picture.
      const back = read.systems.map((s) => ({
        ...s,
        bars: s.bars.map((b) => ({ ...b, corners: backTo(turn, page.picture, b.corners) })),
      }));
      expect(shareFound([scoreOf({ ...read, systems: back }, page)])).toBe(1);
    },
  );
  it(
    'is the same on the page made flat, where bar lines are upright and staves level',
    { timeout: 60_000 },
    async () => {
      const { picture } = spoilPage(await pageOf(PIECES[1]), 'hard', 11);
      const flat = flatPage(picture);
      if (!flat) throw new Error('nothing was found');
      const again = readPage(flat.picture);
      expect(again.systems.map((s) => s.bars.length)).toEqual(flat.systems.map((s) => s.bars.length));
      const off = again.systems.flatMap((s) =>
        s.bars.flatMap(({ corners: [a, b, c, d] }) =>
          [a[1] - b[1], d[1] - c[1], a[0] - d[0], b[0] - c[0]].map(Math.abs),
        ),
      );
      // Half of them within two pixels, where the staff is 56 high.
      expect(off.sort((x, y) => x - y)[off.length >> 1]).toBeLessThanOrEqual(2);
      for (const { staves, upper, lower } of flat.systems) {
        expect(upper).toBeLessThan(staves[0]?.[0] ?? 0);
        expect(lower).toBeGreaterThan(staves[staves.length - 1]?.[1] ?? Infinity);
      }
    },
  );
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
