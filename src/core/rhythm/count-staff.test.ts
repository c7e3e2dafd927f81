import { describe, expect, it } from 'vitest';
import { countStaff, countText } from './count-staff';
import { scoreOfAbc } from '../studio/abc-for-tests';

function count(meter: string, music: string): string[] {
  const score = scoreOfAbc(`X:1\nM:${meter}\nL:1/8\nK:C\n${music}`);
  return countStaff(score, score.parts[0]?.id ?? '', 1, 0, score.bars.length - 1).map((bar) => countText(bar.tokens));
}

// The first two are the handbook's check values; all are common practice.
describe('meter counting', () => {
  it.each([
    ['4/4', 'c3 c-c2 c2', '1 (2) & (3) 4'],
    ['4/4', 'c2 z c c z c2', '1 (2) & 3 (&) 4'],
    ['4/4', 'c2 z c z c c2', '1 (2) & (3) & 4'],
    ['4/4', 'c8', '1 (2) (3) (4)'],
    ['4/4', 'z4 c2 c2', '(1) (2) 3 4'],
    ['4/4', 'c/c/c/c/ cc c2 c2', '1 e & a 2 & 3 4'],
    ['2/4', '(3ccc c2', '1 la li 2'],
    ['6/8', 'ccc c2c', '1 la li 2 li'],
    ['6/8', 'c6', '1 (2)'],
    ['3/4', 'c3 c c2', '1 (2) & 3'],
    ['5/8', 'ccc cc', '1 la li 2 &'],
  ])('%s %s is %s', (meter, music, expected) => expect(count(meter, music)).toEqual([expected]));
  it('counts a pick-up as the end of a bar', () => expect(count('4/4', 'c2 | c8 |')).toEqual(['4', '1 (2) (3) (4)']));
  it('releases a tie over the bar line in brackets', () =>
    expect(count('3/4', 'c4 c2- | c4 c2 |')[1]).toBe('(1) (2) 3'));
});
