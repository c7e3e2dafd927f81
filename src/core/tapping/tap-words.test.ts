import { describe, expect, it } from 'vitest';
import { PLAIN_PLAN, timedMusic } from '../performance';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { judgeTaps, tapReport, tapRow } from '.';

const score = scoreOfAbc('X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:C\nC [DF] E2 | G/2A/2 B2 z |]');
const row = tapRow(timedMusic(score, { ...PLAIN_PLAN, to: 1 }).sounds);
const name = (bar: number): string => `bar ${bar + 1}`;

describe('a rhythm tapped', () => {
  it('has a stroke for each moment at which something begins', () => {
    expect(row.map((n) => [n.at, n.bar])).toEqual([
      [0, 0],
      [1, 0],
      [2, 0],
      [4, 1],
      [4.5, 1],
      [5, 1],
    ]);
  });
  it('is told bar by bar: what is early, late, missed, too much', () => {
    const taps = [0, 1, 2.25, 3.2, 4, 5];
    const { right, of, sentences } = tapReport(judgeTaps(row, taps, { beat: 1, withoutLead: false }), name);
    expect([right, of]).toEqual([4, 6]);
    expect(sentences).toEqual(['4 of 6 in time.', 'In bar 1: 1 late.', 'In bar 2: 1 missed.', '1 tap too many.']);
  });
  it('says of a steady lead that it may be the device', () => {
    const taps = row.map((n) => n.at - 0.07);
    const { sentences } = tapReport(judgeTaps(row, taps, { beat: 1, withoutLead: true }), name);
    expect(sentences[0]).toBe('6 of 6 in time.');
    expect(sentences[1]).toContain('ahead by about 70');
  });
});
