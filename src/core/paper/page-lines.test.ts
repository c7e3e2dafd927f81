import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lineDrawing, pageLines, type PageLine, type Paper } from '.';
import { EIGHT_ON_A_PAGE as EIGHT } from './paper-for-tests';

const SIZE = { width: 2000, space: 10 };
const barsOf = (lines: readonly PageLine[]): readonly string[] => lines.flatMap((l) => l.bars.map((b) => b.id));

describe('bars cut from a page', () => {
  it('lie under each other, system by system, with what stands before the first of a system', () => {
    const [first, second, ...more] = pageLines(EIGHT, 2, 5, SIZE);
    expect(more).toEqual([]);
    expect(barsOf([first, second].flatMap((l) => l ?? []))).toEqual(['g3', 'g4', 'g5', 'g6']);
    expect(first?.cut).toMatchObject({ x: 246, y: 50, height: 140 });
    // A brace may stand before the beginning.
    expect(second?.cut.x).toBe(33);
    expect(second?.bars[0]).toMatchObject({ begins: true });
    expect(first?.staves).toEqual([[50, 90]]);
  });
  it('are as large as is wanted, smaller where there is less room, and broken where they would be too small', () => {
    expect(pageLines(EIGHT, 0, 3, { width: 2000, space: 20 })[0]).toMatchObject({ scale: 2 });
    const [fits] = pageLines(EIGHT, 0, 3, { width: 300, space: 10 });
    expect(fits?.width).toBeCloseTo(300);
    expect(pageLines(EIGHT, 0, 3, { width: 200, space: 10 }).map((l) => l.bars.length)).toEqual([2, 2]);
  });
  it('show only the staves of the player, cut in the middle of the room between', () => {
    const [page] = EIGHT.layouts;
    if (!page) throw new Error('no page');
    const [system] = page.systems;
    const three: Paper = {
      grid: { ...EIGHT.grid, shown: [1, 2] },
      layouts: [
        {
          ...page,
          systems: [
            {
              ...system,
              staves: [
                [100, 140],
                [200, 240],
                [300, 340],
              ],
              upper: 50,
              lower: 400,
              boxes: system?.boxes ?? [],
            },
          ],
        },
      ],
    };
    expect(pageLines(three, 0, 0, SIZE)[0]?.cut).toMatchObject({ y: 170, height: 230 });
  });
  it('hold every wanted bar once, in order, inside a line that is no wider than there is room', () => {
    fc.assert(
      fc.property(
        fc.nat(7),
        fc.nat(7),
        fc.integer({ min: 120, max: 1500 }),
        fc.integer({ min: 4, max: 30 }),
        (a, b, width, space) => {
          const [from, to] = [Math.min(a, b), Math.max(a, b)];
          const lines = pageLines(EIGHT, from, to, { width, space });
          expect(barsOf(lines)).toEqual(EIGHT.grid.bars.slice(from, to + 1).map((bar) => bar.id));
          for (const line of lines) {
            expect(line.width).toBeLessThanOrEqual(width + 1e-6);
            for (const bar of line.bars) {
              expect(bar.x).toBeGreaterThanOrEqual(0);
              expect(bar.x + bar.width).toBeLessThanOrEqual(line.width + 1e-6);
            }
          }
        },
      ),
    );
  });
  it('are none where they lie nowhere', () => {
    expect(pageLines({ ...EIGHT, layouts: [] }, 0, 7, SIZE)).toEqual([]);
  });
});

describe('the drawing of a line', () => {
  const [line] = pageLines(EIGHT, 0, 1, SIZE);
  if (!line) throw new Error('no line');
  it('says where bars and typed notes are, behind clef and key, in the form of engraved lines', () => {
    const notes = new Map([['g2', [{ id: 'g2-n1', at: 0.5, staff: 0, kind: 'note' as const }]]]);
    const svg = lineDrawing(line, 'data:image/png;base64,AA', { notes, names: new Map([['g2', '2']]) });
    expect(svg).toContain('<g id="g1" class="measure"><g class="staff"><path d="M17 50 L117 50"');
    expect(svg).toContain('<g id="g2-n1" class="note"><g class="notehead"><use transform="translate(167, 70)');
    expect(svg).toContain('>2</text>');
  });
  it('holds nothing but names of bars', () => {
    const [bar] = line.bars;
    const hostile: PageLine = { ...line, bars: [{ ...(bar ?? { x: 0, width: 1, begins: false }), id: '"><script>' }] };
    expect(
      lineDrawing(hostile, 'data:image/png;base64,AA', { notes: new Map(), names: new Map([['g1', '<script>']]) }),
    ).not.toContain('<script');
  });
});
