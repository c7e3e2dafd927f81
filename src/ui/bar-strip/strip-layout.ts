import type { StripArc, StripBar, StripBracket, StripJump } from './strip-parts';

/** Where an arc and its label stand, in pixels of the strip. */
export interface PlacedArc {
  readonly from: number;
  readonly to: number;
  /** How far the control points stand above the brackets. */
  readonly rise: number;
  readonly label: { readonly x: number; readonly y: number };
  /** Its label has room beside those of the arcs before it. */
  readonly labelled: boolean;
}

/** Every measure of the strip, in pixels from its upper left corner. */
export interface StripLayout {
  readonly width: number;
  readonly height: number;
  /** Left edge of a bar; of the bar behind the last one, the right end. */
  readonly x: (bar: number) => number;
  /** The bar under an x; the nearest where there is none. */
  readonly barAt: (x: number) => number;
  readonly arcHeight: number;
  readonly arcs: ReadonlyMap<string, PlacedArc>;
  readonly laneHeight: number;
  /** Middle line of a bracket. */
  readonly bracketY: (id: string) => number;
  readonly tileTop: number;
  readonly tallest: number;
  readonly floor: number;
  readonly tileHeight: (difficulty: number) => number;
  readonly tileGap: number;
  /** Every how many bars a number is written. */
  readonly perNumber: number;
  readonly showNumbers: boolean;
  readonly showFamilies: boolean;
  readonly familiesFit: boolean;
  /** The line with repeats and double bars. */
  readonly lineY: number;
  readonly showJumps: boolean;
}

const ARC_HEIGHT = 78;
/** Difficulty that fills the height where nothing is harder, so that an easy piece looks easy. */
const EASIEST_FULL = 4;
const LABEL_LINE = 15;
const LABEL_LETTER = 7.4;

/** Lanes for brackets that overlap: longer ones on top of those inside them. */
export function bracketLanes(brackets: readonly StripBracket[]): {
  readonly lane: ReadonlyMap<string, number>;
  readonly count: number;
} {
  const lane = new Map<string, number>();
  for (const bracket of [...brackets].sort((a, b) => b.to - b.from - (a.to - a.from) || a.from - b.from)) {
    const overlapping = brackets
      .filter((o) => lane.has(o.id) && o.from <= bracket.to && o.to >= bracket.from)
      .map((o) => lane.get(o.id) ?? 0);
    let free = 0;
    while (overlapping.includes(free)) free += 1;
    lane.set(bracket.id, free);
  }
  return { lane, count: Math.max(1, ...[...lane.values()].map((n) => n + 1)) };
}

/** Far places make high arcs, near ones low. Labels that would stand on one another stay away. */
export function placeArcs(
  arcs: readonly StripArc[],
  x: (bar: number) => number,
  arcHeight: number,
  width: number,
): ReadonlyMap<string, PlacedArc> {
  const middleOf = ([from, to]: StripArc['a']): number => (x(from) + x(to + 1)) / 2;
  const spanOf = (arc: StripArc): number => Math.abs(arc.b[0] + arc.b[1] - arc.a[0] - arc.a[1]) / 2;
  const widest = Math.max(1, ...arcs.map(spanOf));
  const taken: { readonly from: number; readonly to: number; readonly y: number }[] = [];
  const placed = new Map<string, PlacedArc>();
  for (const arc of arcs) {
    const from = middleOf(arc.a);
    const to = middleOf(arc.b);
    const rise = 14 + (arcHeight - 32) * (spanOf(arc) / widest);
    const half = (arc.label.length * LABEL_LETTER) / 2 + 4;
    const label = {
      x: Math.max(half, Math.min(width - half, (from + to) / 2)),
      y: Math.max(12, arcHeight - rise + 4),
    };
    const labelled = !taken.some(
      (t) => Math.abs(t.y - label.y) < LABEL_LINE && t.from < label.x + half && t.to > label.x - half,
    );
    if (labelled) taken.push({ from: label.x - half, to: label.x + half, y: label.y });
    placed.set(arc.id, { from, to, rise, label, labelled });
  }
  return placed;
}

/**
 * The strip laid out for a width in pixels: tiles as wide as their bars are long and as high as they are hard, brackets
 * in lanes above them, arcs above those; `compact` leaves out arcs, numbers and families.
 */
export function layOutStrip(
  {
    bars,
    brackets,
    arcs,
    jumps,
  }: {
    readonly bars: readonly StripBar[];
    readonly brackets: readonly StripBracket[];
    readonly arcs: readonly StripArc[];
    readonly jumps: readonly StripJump[];
  },
  width: number,
  compact: boolean,
): StripLayout {
  const total = bars.reduce((sum, b) => sum + b.length, 0) || 1;
  const inner = Math.max(10, width - 2);
  const edges: number[] = [1];
  for (const bar of bars) edges.push((edges[edges.length - 1] ?? 0) + (bar.length / total) * inner);
  const x = (bar: number): number => edges[bar] ?? inner;
  const perBar = inner / Math.max(1, bars.length);
  const { lane, count } = bracketLanes(brackets);
  const arcHeight = arcs.length > 0 && !compact ? ARC_HEIGHT : 0;
  const laneHeight = compact ? 24 : 28;
  const tallest = compact ? 26 : 56;
  const lowest = compact ? 8 : 20;
  const tileTop = arcHeight + count * laneHeight + 6 + (compact ? 4 : 10);
  const floor = tileTop + tallest;
  const showFamilies = !compact && bars.some((b) => b.family !== null);
  const showJumps = jumps.length > 0 && !compact;
  const lineY = floor + (showFamilies ? 22 : 2) + 7;
  const hardest = Math.max(EASIEST_FULL, ...bars.map((b) => b.difficulty));
  return {
    width,
    height: lineY + 5 + (showJumps ? 14 : 0),
    x,
    barAt: (at) => {
      const found = edges.findIndex((edge) => edge > at);
      return Math.max(0, Math.min(bars.length - 1, (found === -1 ? bars.length : found) - 1));
    },
    arcHeight,
    arcs: arcHeight > 0 ? placeArcs(arcs, x, arcHeight, width) : new Map(),
    laneHeight,
    bracketY: (id) => arcHeight + (lane.get(id) ?? 0) * laneHeight + laneHeight / 2,
    tileTop,
    tallest,
    floor,
    tileHeight: (difficulty) => lowest + (Math.min(hardest, difficulty) / hardest) * (tallest - lowest),
    tileGap: perBar > 8 ? 1.5 : 0.3,
    perNumber: Math.max(1, Math.ceil(30 / perBar)),
    showNumbers: !compact,
    showFamilies,
    familiesFit: perBar > 9,
    lineY,
    showJumps,
  };
}
