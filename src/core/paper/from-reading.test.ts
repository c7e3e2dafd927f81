import { describe, expect, it } from 'vitest';
import type { FlatBar, FlatSystem } from '../page';
import { paperOf, setBarsOfBox, usualStaves, type AboutPages, type PageToPlace } from '.';

const SPACE = 14;
const ABOUT: AboutPages = { title: 'Air', instrument: 'flute', clef: 'treble', shown: null };

const bar = (from: number, to: number, more: Partial<FlatBar> = {}): FlatBar => ({
  from,
  to,
  starts: 'single',
  ends: 'single',
  certainty: 1,
  longRest: false,
  ...more,
});

/** A page with one staff a line, and so many bars in each. */
function page(lines: readonly (readonly FlatBar[])[], staves = 1): PageToPlace {
  const systems = lines.map((bars, i): FlatSystem => ({
    staves: Array.from({ length: staves }, (_, s): [number, number] => [200 * i + 100 * s, 200 * i + 100 * s + 56]),
    upper: 200 * i - 60,
    lower: 200 * i + 100 * staves + 60,
    bars: [...bars],
  }));
  return { id: 'page', pieceId: 'piece', width: 1000, height: 1400, flat: { space: SPACE, systems } };
}

const evenly = (count: number, first = 250): readonly FlatBar[] =>
  Array.from({ length: count }, (_, i) => bar(i === 0 ? 0 : first + (i - 1) * 200, first + i * 200));

describe('a piece from pages that were read', () => {
  it('has the bars in reading order, with what their lines say', () => {
    const lines = [
      [bar(0, 250, { starts: 'repeat' }), bar(250, 500, { ends: 'repeat' })],
      [bar(0, 250), bar(250, 500, { ends: 'final' })],
    ];
    const { grid, layouts } = paperOf([page(lines)], ABOUT);
    expect(grid.bars).toMatchObject([
      { meter: '4/4', key: 'C', repeatStart: true },
      { repeatEnd: 2 },
      {},
      { doubleBar: 'light-heavy' },
    ]);
    expect(layouts[0]?.systems.flatMap((s) => s.boxes.flatMap((b) => b.bars))).toEqual(grid.bars.map((b) => b.id));
  });

  it('asks how many bars a long rest is, and takes it for two until it is said', () => {
    const paper = paperOf(
      [page([[bar(0, 250), bar(250, 400, { longRest: true, ends: 'repeat' }), bar(400, 600)]])],
      ABOUT,
    );
    const boxes = paper.layouts[0]?.systems[0]?.boxes;
    expect(boxes?.map((b) => [b.bars.length, b.longRest === true])).toEqual([
      [1, false],
      [2, true],
      [1, false],
    ]);
    // A sign at its end is at the end of its last bar.
    expect(paper.grid.bars.map((b) => b.repeatEnd)).toEqual([undefined, undefined, 2, undefined]);
    const said = setBarsOfBox(paper, { page: 'page', system: 0, box: 1 }, 12);
    if (!said.ok) throw new Error(said.issue.message);
    const after = said.value.paper.layouts[0]?.systems[0]?.boxes[1];
    expect(after?.bars).toHaveLength(12);
    expect(after?.longRest).toBeUndefined();
    expect(said.value.paper.grid.bars).toHaveLength(14);
    expect(said.value.paper.grid.bars[12]?.repeatEnd).toBe(2);
  });

  it('doubts what was found with doubt', () => {
    const { layouts } = paperOf([page([[bar(0, 250, { certainty: 0.2 }), bar(250, 500)]])], ABOUT);
    expect(layouts[0]?.systems[0]?.boxes.map((b) => b.unsure)).toEqual([true, undefined]);
  });

  it('believes no double line where most look double: the page is blurred', () => {
    const blurred = Array.from({ length: 6 }, (_, i) => bar(100 * i, 100 * i + 100, { ends: 'double' }));
    expect(paperOf([page([blurred])], ABOUT).grid.bars.some((b) => b.doubleBar)).toBe(false);
    const one = blurred.map((b, i) => (i === 2 ? b : { ...b, ends: 'single' as const }));
    expect(paperOf([page([one])], ABOUT).grid.bars.map((b) => b.doubleBar)).toEqual([
      undefined,
      undefined,
      'light-light',
      undefined,
      undefined,
      undefined,
    ]);
  });

  it('guesses a pick-up where the first bar is narrow, without clef and meter', () => {
    expect(paperOf([page([evenly(4, 180)])], ABOUT).grid.pickup).toBe('1');
    expect(paperOf([page([evenly(4, 330)])], ABOUT).grid.pickup).toBe('0');
  });

  it('has two staves where the player’s are two of several', () => {
    const three = page([evenly(3), evenly(3)], 3);
    expect(usualStaves(paperOf([three], ABOUT).layouts)).toBe(3);
    expect(paperOf([three], { ...ABOUT, shown: [1, 2] }).grid).toMatchObject({ staves: 2, shown: [1, 2] });
    expect(paperOf([three], { ...ABOUT, shown: [0, 0] }).grid).toMatchObject({ staves: 1, shown: [0, 0] });
  });

  it('has one bar that lies nowhere where nothing was found', () => {
    const { grid, layouts } = paperOf([page([])], ABOUT);
    expect(grid.bars).toHaveLength(1);
    expect(layouts[0]?.systems).toEqual([]);
  });
});
