import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { openGrid } from '../studio';
import { changeBar, emptyGrid } from '../bargrid';
import { bestDivision } from './partition';
import { chunksOf } from './chunks';
import { proposeSections } from './propose';
import { scoreOfAbc } from '../studio/abc-for-tests';

const scoreOf = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${music}`);

describe('proposed sections', () => {
  it('tile the piece, whatever is in it', () => {
    const barText = fc.constantFrom('C D E F', 'G4', 'c2 G2', 'z4', 'E F G2', 'C D E F ||', 'G A B c :|');
    fc.assert(
      fc.property(fc.array(barText, { minLength: 1, maxLength: 24 }), (bars) => {
        const score = scoreOf(bars.map((b) => (/[|]$/.test(b) ? b : `${b} |`)).join(' '));
        const sections = proposeSections(score);
        expect(sections[0]?.from).toBe(0);
        expect(sections[sections.length - 1]?.to).toBe(score.bars.length - 1);
        sections.forEach((s, i) => {
          if (i > 0) expect(s.from).toBe((sections[i - 1]?.to ?? 0) + 1);
          expect(s.phrases[0]?.from).toBe(s.from);
          expect(s.phrases[s.phrases.length - 1]?.to).toBe(s.to);
          expect(s.reasons.length).toBeGreaterThan(0);
        });
      }),
      { numRuns: 100 },
    );
  });
  it('never cross a printed double bar or repeat', () => {
    const sections = proposeSections(scoreOf('C D E F | G A B c | c B A || G F E D | C4 |: E E E E | F F F F | G4 :|'));
    expect(sections.map((s) => s.from)).toEqual(expect.arrayContaining([3, 5]));
  });
  it('come from signs alone on a bar grid without notes', () => {
    let grid = emptyGrid({
      title: '',
      composer: '',
      bars: 24,
      staves: 1,
      clef: 'treble',
      meter: '4/4',
      key: 'C',
      pickup: '0',
      perMinute: null,
    });
    grid = changeBar(grid, 7, { repeatEnd: 2 });
    grid = changeBar(grid, 16, { rehearsal: 'B' });
    const opened = openGrid(grid, 'grid');
    if (!opened.ok) throw new Error(opened.issue.message);
    const sections = proposeSections(opened.value.read.score);
    expect(sections.map((s) => s.from)).toEqual(expect.arrayContaining([0, 8, 16]));
    expect(new Set(sections.map((s) => s.letter)).size).toBe(sections.length);
  });
});

describe('the best division', () => {
  it('is the best of all, by brute force', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 2, noNaN: true }), { minLength: 1, maxLength: 9 }),
        fc.array(fc.double({ min: 0, max: 2, noNaN: true }), { minLength: 10, maxLength: 10 }),
        fc.array(fc.boolean(), { minLength: 10, maxLength: 10 }),
        (gains, costs, musts) => {
          const n = gains.length;
          const gain = (b: number): number => gains[b] ?? 0;
          const cost = (a: number, b: number): number => costs[b - a] ?? 0;
          const must = (b: number): boolean => b > 0 && (musts[b] ?? false);
          let best = -Infinity;
          for (let mask = 0; mask < 1 << (n - 1); mask += 1) {
            const starts = [
              0,
              ...gains
                .slice(1)
                .map((_, i) => i + 1)
                .filter((b) => mask & (1 << (b - 1))),
            ];
            if (gains.some((_, b) => must(b) && !starts.includes(b))) continue;
            const value = starts.reduce(
              (sum, s, i) => sum + (s > 0 ? gain(s) : 0) - cost(s, (starts[i + 1] ?? n) - 1),
              0,
            );
            best = Math.max(best, value);
          }
          const division = bestDivision(0, n - 1, gain, cost, must, 99);
          expect(division.value).toBeCloseTo(best, 9);
          for (let b = 1; b < n; b += 1) if (must(b)) expect(division.starts).toContain(b);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('chunks', () => {
  // Handbook chapter 3 [common practice]: a bar with the first note of the next, two bars, two chunks joined, the line.
  it('grow from a bar to the section, each taking in the join', () =>
    expect(chunksOf(0, 3, [{ from: 0, to: 3 }], 7).map((c) => [c.kind, c.from, c.to, c.join])).toEqual([
      ['bar', 0, 0, true],
      ['bar', 1, 1, true],
      ['bar', 2, 2, true],
      ['bar', 3, 3, true],
      ['two', 0, 1, true],
      ['two', 2, 3, true],
      ['joined', 0, 3, true],
    ]));
  it('have every bar in some chunk, and none past the section', () => {
    fc.assert(
      fc.property(fc.nat(10), fc.nat(12), (from, more) => {
        const to = from + more;
        const chunks = chunksOf(from, to, [], to);
        for (let b = from; b <= to; b += 1) expect(chunks.some((c) => c.from <= b && c.to >= b)).toBe(true);
        expect(chunks.every((c) => c.from >= from && c.to <= to)).toBe(true);
        expect(chunks.some((c) => c.from === from && c.to === to)).toBe(true);
      }),
    );
  });
});
