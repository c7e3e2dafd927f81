import { describe, expect, it } from 'vitest';
import { bracketLanes, layOutStrip, placeArcs } from './strip-layout';
import type { StripArc, StripBar, StripBracket } from './strip-parts';

const bar = (i: number, more: Partial<StripBar> = {}): StripBar => ({
  id: `bar-${i}`,
  number: String(i + 1),
  length: 4,
  difficulty: 2,
  corner: false,
  repeatStart: false,
  repeatEnd: false,
  doubleBar: false,
  family: null,
  ...more,
});
const bracket = (id: string, from: number, to: number): StripBracket => ({
  id,
  from,
  to,
  letter: id,
  name: '',
  proposed: false,
});
const arc = (id: string, a: StripArc['a'], b: StripArc['b'], label = 'as A'): StripArc => ({
  id,
  a,
  b,
  kind: 'exact',
  label,
});
const strip = (bars: readonly StripBar[], more: { brackets?: StripBracket[]; arcs?: StripArc[] } = {}) => ({
  bars,
  brackets: more.brackets ?? [],
  arcs: more.arcs ?? [],
  jumps: [],
});
const four = [0, 1, 2, 3].map((i) => bar(i));

describe('the strip', () => {
  it('gives every bar the width of its length: a pick-up of one beat is a quarter of a bar', () => {
    const { x } = layOutStrip(strip([bar(0, { length: 1 }), bar(1), bar(2), bar(3)]), 132, false);
    expect([x(0), x(1), x(2), x(3), x(4)]).toEqual([1, 11, 51, 91, 131]);
  });

  it('finds the bar under a place, and the nearest outside', () => {
    const { barAt } = layOutStrip(strip(four), 402, false);
    expect([barAt(-20), barAt(1), barAt(100), barAt(102), barAt(399), barAt(4000)]).toEqual([0, 0, 0, 1, 3, 3]);
  });

  it('draws an easy piece low and the hardest bar of a hard one in full height', () => {
    const easy = layOutStrip(strip(four), 402, false);
    expect(easy.tileHeight(2)).toBeCloseTo(20 + 36 / 2);
    const hard = layOutStrip(strip([...four, bar(4, { difficulty: 8 })]), 402, false);
    expect(hard.tileHeight(8)).toBe(56);
    expect(hard.tileHeight(2)).toBeCloseTo(20 + 36 / 4);
  });

  it('writes every number where there is room, and fewer where bars are narrow', () => {
    expect(layOutStrip(strip(four), 402, false).perNumber).toBe(1);
    const many = Array.from({ length: 100 }, (_, i) => bar(i));
    expect(layOutStrip(strip(many), 502, false).perNumber).toBe(6);
  });

  it('leaves arcs, numbers and families out where it is compact', () => {
    const full = strip([bar(0, { family: 'a' }), bar(1)], { arcs: [arc('x', [0, 0], [1, 1])] });
    const open = layOutStrip(full, 402, false);
    const compact = layOutStrip(full, 402, true);
    expect([open.showFamilies, open.showNumbers, open.arcs.size]).toEqual([true, true, 1]);
    expect([compact.showFamilies, compact.showNumbers, compact.arcs.size]).toEqual([false, false, 0]);
    expect(compact.height).toBeLessThan(open.height);
  });
});

describe('brackets', () => {
  it('share a lane when they follow each other, and stand under a longer one that holds them', () => {
    const { lane, count } = bracketLanes([bracket('a', 0, 3), bracket('b', 4, 7), bracket('whole', 0, 7)]);
    expect([lane.get('whole'), lane.get('a'), lane.get('b'), count]).toEqual([0, 1, 1, 2]);
  });

  it('need one lane even where there is none', () => {
    expect(bracketLanes([]).count).toBe(1);
  });
});

describe('arcs', () => {
  const x = (b: number): number => b * 50;

  it('rise with the distance of their places', () => {
    const placed = placeArcs([arc('near', [0, 1], [2, 3]), arc('far', [0, 1], [6, 7])], x, 78, 400);
    expect(placed.get('far')?.rise).toBe(60);
    expect(placed.get('near')?.rise).toBeCloseTo(14 + 46 / 3);
    expect(placed.get('near')).toMatchObject({ from: 50, to: 150 });
  });

  it('say their label once where two would stand on one another', () => {
    const same = [arc('one', [0, 1], [4, 5], 'the same'), arc('two', [0, 2], [4, 6], 'the same')];
    const placed = placeArcs(same, x, 78, 400);
    expect([placed.get('one')?.labelled, placed.get('two')?.labelled]).toEqual([true, false]);
  });

  it('keep their labels inside the strip', () => {
    const placed = placeArcs([arc('edge', [0, 0], [1, 1], 'as A, changed in four bars')], x, 78, 400);
    const half = ('as A, changed in four bars'.length * 7.4) / 2 + 4;
    expect(placed.get('edge')?.label.x).toBeCloseTo(half);
  });
});
