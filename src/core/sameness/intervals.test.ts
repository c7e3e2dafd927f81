import { describe, expect, it } from 'vitest';
import { intervalsOf } from './intervals';
import { scoreOfAbc } from '../studio/abc-for-tests';

const read = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${music}`);
const of = (music: string, from = 0, to = 99) => intervalsOf(read(music), from, to)[0];

// Counted by hand.
describe('intervals of a line', () => {
  it('are counted by size and direction', () => {
    const line = of('C D E C | c c G G |]');
    expect(line?.sizes).toEqual([
      { size: 1, up: 2, down: 0 },
      { size: 2, up: 2, down: 0 },
      { size: 3, up: 0, down: 1 },
      { size: 4, up: 0, down: 1 },
      { size: 8, up: 1, down: 0 },
    ]);
    expect(line).toMatchObject({ repeats: 2, steps: 2, skips: 3 });
  });
  it('name the lowest, the highest and the first note', () => {
    const score = read('E C c D |]');
    const [line] = intervalsOf(score, 0, 0);
    const ids = score.notes.map((n) => n.id);
    expect([line?.first, line?.lowest, line?.highest]).toEqual([ids[0], ids[1], ids[2]]);
  });
  it('follow the top of chords and count a tied note once', () => {
    expect(of('[CE] [DF] [CG] G |]')?.sizes).toEqual([
      { size: 1, up: 1, down: 0 },
      { size: 2, up: 2, down: 0 },
    ]);
    expect(of('C4- | C D2 z |]')?.sizes).toEqual([{ size: 2, up: 1, down: 0 }]);
  });
  it('look at the bars that were asked for only', () => {
    expect(of('C D E F | G G G G |]', 1, 1)).toMatchObject({ repeats: 3, steps: 0, skips: 0 });
    expect(of('z4 |]')).toMatchObject({ sizes: [], lowest: null, highest: null, first: null });
  });
});
