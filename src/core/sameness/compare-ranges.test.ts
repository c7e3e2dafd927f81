import { describe, expect, it } from 'vitest';
import { compareRanges } from './compare-ranges';
import { scoreOfAbc } from '../studio/abc-for-tests';

const scoreOf = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${music}`);

describe('two places laid over one another', () => {
  it('pair their equal notes and name those that differ', () => {
    const { pairs, onlyA, onlyB } = compareRanges(scoreOf('C D E F | C D E G |'), [0, 0], [1, 1]);
    expect([...pairs]).toEqual([
      ['p1-b1-n1', 'p1-b2-n1'],
      ['p1-b1-n2', 'p1-b2-n2'],
      ['p1-b1-n3', 'p1-b2-n3'],
    ]);
    expect([onlyA, onlyB]).toEqual([['p1-b1-n4'], ['p1-b2-n4']]);
  });
  it('pair a copy moved by a step with its model', () =>
    expect(compareRanges(scoreOf('C D E F | D E F G |'), [0, 0], [1, 1]).pairs.size).toBe(4));
  it('leave what the longer one has more', () =>
    expect(compareRanges(scoreOf('C4 | C4 | D4 |'), [0, 0], [1, 2]).onlyB).toEqual(['p1-b3-n1']));
});
