import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { meterText, playingOrder } from '../score';
import { openGrid } from '../studio';
import { changeBar, emptyGrid, insertBar, parseGrid, removeBar, type Grid } from './grid';

const grid = (more: Partial<Parameters<typeof emptyGrid>[0]> = {}): Grid =>
  emptyGrid({
    title: 'Printed',
    composer: '',
    bars: 8,
    staves: 1,
    clef: 'treble',
    meter: '3/4',
    key: 'G',
    pickup: '0',
    perMinute: 90,
    ...more,
  });
const scoreOf = (g: Grid) => {
  const opened = openGrid(g, 'grid');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score;
};

describe('a bar grid', () => {
  it('is a piece with bars, meter, key and tempo, and no notes', () => {
    const score = scoreOf(grid());
    expect([
      score.bars.length,
      score.notes.length,
      meterText(score.bars[7]?.meter ?? { parts: [], symbol: null }),
      score.bars[0]?.key.fifths,
    ]).toEqual([8, 0, '3/4', 1]);
    expect(score.tempos[0]?.bpm).toBe(90);
    expect(score.bars.map((b) => b.length / score.ticksPerQuarter)).toEqual(Array.from({ length: 8 }, () => 3));
  });
  it('begins with a pick-up that is not counted', () => {
    const score = scoreOf(grid({ pickup: '1' }));
    expect(score.bars.map((b) => b.number)).toEqual(['0', '1', '2', '3', '4', '5', '6', '7', '8']);
    expect((score.bars[0]?.length ?? 0) / score.ticksPerQuarter).toBe(1);
  });
  it('has repeats and endings in playing order', () => {
    let g = changeBar(grid({ bars: 4 }), 2, { ending: [1], repeatEnd: 2 });
    g = changeBar(g, 3, { ending: [2] });
    expect(playingOrder(scoreOf(g).bars).order).toEqual([0, 1, 2, 0, 1, 3]);
  });
  it('takes typed notes in the key, or only a rhythm, and fills the rest of the bar', () => {
    let g = changeBar(grid({ bars: 3 }), 0, { typed: ['F2 G2 A2'] });
    g = changeBar(g, 1, { typed: ['n n2'] });
    const score = scoreOf(g);
    expect(score.notes.filter((n) => n.bar === 0).map((n) => n.midi)).toEqual([66, 67, 69]);
    expect(score.notes.filter((n) => n.bar === 1).map((n) => [n.pitch, n.duration / score.ticksPerQuarter])).toEqual([
      [null, 0.5],
      [null, 1],
    ]);
    expect(score.bars[1]?.length).toBe(3 * score.ticksPerQuarter);
  });
  it('says when typed notes do not fit the bar', () => {
    const opened = openGrid(changeBar(grid(), 1, { typed: ['C8'] }), 'grid');
    expect(opened.ok && opened.value.read.score.warnings.some((w) => w.code === 'grid' && w.bar === 1)).toBe(true);
  });
  it.each([
    ['a meter that is none', { meter: 'x/4' }, 'grid-meter'],
    ['a key that is none', { key: 'H' }, 'grid-key'],
    ['a pick-up as long as a bar', { pickup: '3' }, 'grid-pickup'],
  ])('refuses %s, naming it', (_, more, code) =>
    expect(openGrid(grid(more), 'grid')).toMatchObject({ ok: false, issue: { code } }),
  );
  it('keeps ids of bars and notes when bars are put in and taken out', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ at: fc.nat(7), put: fc.boolean() }), { maxLength: 8 }), (steps) => {
        let g = changeBar(grid(), 5, { typed: ['G2 A2 B2'] });
        for (const s of steps) {
          if (s.put) g = insertBar(g, Math.min(s.at, g.bars.length - 1));
          else if (g.bars[s.at]?.id !== 'g6') g = removeBar(g, Math.min(s.at, g.bars.length - 1));
          if (!g.bars.some((b) => b.id === 'g6')) return;
        }
        const score = scoreOf(g);
        expect(new Set(score.bars.map((b) => b.id)).size).toBe(score.bars.length);
        expect(score.notes.map((n) => n.id)).toEqual(['g6-p1-n1', 'g6-p1-n2', 'g6-p1-n3']);
        expect(score.bars[0]?.key.fifths).toBe(1);
      }),
      { numRuns: 80 },
    );
  });
  it('comes back from its text, and nothing else does', () => {
    expect(parseGrid(JSON.stringify(grid()))).toEqual(grid());
    expect(parseGrid('{"kind":"bar-grid"}')).toBeNull();
    expect(parseGrid('not json')).toBeNull();
  });
});
