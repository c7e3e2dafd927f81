import { middleOf } from './system-lines';
import { findPage, type BarEdge, type FoundPage, type FoundSystem, type PageOptions } from './find-page';
import type { Picture } from './picture';
import { backTo } from './resample';
import { LAST_LINE, spaceAt, topAt } from './upright-lines';

export type PagePoint = readonly [number, number];
/** Top left, top right, bottom right, bottom left, in pixels of the picture as it came. */
export type PageCorners = readonly [PagePoint, PagePoint, PagePoint, PagePoint];

export interface PageBar {
  readonly corners: PageCorners;
  readonly starts: BarEdge;
  readonly ends: BarEdge;
  /** From 0 to 1: how clear its right line is. */
  readonly certainty: number;
  /** It is drawn as a rest of several bars, their number above it. */
  readonly longRest: boolean;
}

export interface PageSystem {
  readonly corners: PageCorners;
  readonly staves: number;
  readonly bars: readonly PageBar[];
}

export interface ReadPage {
  readonly width: number;
  readonly height: number;
  readonly systems: readonly PageSystem[];
}

/** Where an upright line through the middle of a system crosses its first and its last line, in the picture. */
function edgeAt({ straight, uprights }: FoundPage, { staves }: FoundSystem, x: number): readonly PagePoint[] {
  const [first] = staves;
  const last = staves[staves.length - 1];
  if (!first || !last) return [];
  const slope = uprights.at(x);
  const middle = middleOf({ staves }, x);
  const foot = (at: number): number => topAt(last, at) + LAST_LINE * spaceAt(last, at);
  const xTop = x + slope * (topAt(first, x) - middle);
  const xFoot = x + slope * (foot(x) - middle);
  return [backTo(straight.frame, xTop, topAt(first, xTop)), backTo(straight.frame, xFoot, foot(xFoot))];
}

function cornersOf(page: FoundPage, system: FoundSystem, from: number, to: number): PageCorners {
  const nowhere: PagePoint = [0, 0];
  const [topLeft = nowhere, footLeft = nowhere] = edgeAt(page, system, from);
  const [topRight = nowhere, footRight = nowhere] = edgeAt(page, system, to);
  return [topLeft, topRight, footRight, footLeft];
}

/**
 * The systems and bars on a picture of a page, in reading order; none where no staff of five lines is found.
 *
 * @example readPage({ width: 1, height: 1, gray: new Uint8Array([255]) }).systems // → []
 */
export function readPage(picture: Picture, options: PageOptions = {}): ReadPage {
  const { width, height } = picture;
  const page = findPage(picture, options);
  if (!page) return { width, height, systems: [] };
  return {
    width,
    height,
    systems: page.systems.map((system) => ({
      corners: cornersOf(page, system, system.from, system.to),
      staves: system.staves.length,
      bars: system.bars.map(({ from, to, ...bar }) => ({ corners: cornersOf(page, system, from, to), ...bar })),
    })),
  };
}
