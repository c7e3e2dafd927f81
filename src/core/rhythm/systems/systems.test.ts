import { describe, expect, it } from 'vitest';
import { countStaff, countText, tieCounts } from '../count-staff';
import type { CountSystem } from './systems';
import { scoreOfAbc } from '../../studio/abc-for-tests';

const scoreOf = (meter: string, music: string) => scoreOfAbc(`X:1\nM:${meter}\nL:1/8\nK:C\n${music}`);
const count = (system: CountSystem, meter: string, music: string): string[] => {
  const score = scoreOf(meter, music);
  return countStaff(score, 'P1', 1, 0, score.bars.length - 1, { system }).map((bar) => countText(bar.tokens));
};

// Written by hand, common practice: each row is a meter, bars and how each is counted.
const METER: readonly (readonly [string, string, readonly string[]])[] = [
  ['4/4', 'c2 c2 c2 c2 | c4 c4 | c6 c2 | cccc cccc |', ['1 2 3 4', '1 (2) 3 (4)', '1 (2) (3) 4', '1 & 2 & 3 & 4 &']],
  [
    '4/4',
    'c3 c c4 | c c2 c c4 | c2 z2 c2 z2 | z c z c z c z c |',
    ['1 (2) & 3 (4)', '1 & (2) & 3 (4)', '1 (2) 3 (4)', '(1) & (2) & (3) & (4) &'],
  ],
  ['4/4', 'c/c/c/c/ c2 c2 c2 | c3/2c/ c2 c4 | cc/c/ c/c/c c4 |', ['1 e & a 2 3 4', '1 a 2 3 (4)', '1 & a 2 e & 3 (4)']],
  [
    '3/4',
    'c2 c2 c2 | c4 c2 | c6 | c3 c c2 | cc cc cc |',
    ['1 2 3', '1 (2) 3', '1 (2) (3)', '1 (2) & 3', '1 & 2 & 3 &'],
  ],
  ['2/4', 'c2 c2 | c4 | c3 c | c c2 c | (3ccc c2 |', ['1 2', '1 (2)', '1 (2) &', '1 & (2) &', '1 la li 2']],
  ['2/2', 'c4 c4 | c8 | c2 c2 c4 | c6 c2 |', ['1 2', '1 (2)', '1 & 2', '1 (2) &']],
  [
    '6/8',
    'c3 c3 | ccc ccc | c2c c2c | c6 | c3 ccc | cc/c/c c3 |',
    ['1 2', '1 la li 2 la li', '1 li 2 li', '1 (2)', '1 2 la li', '1 la ta li 2'],
  ],
  ['9/8', 'c3 c3 c3 | ccc c2c c3 | c9 |', ['1 2 3', '1 la li 2 li 3', '1 (2) (3)']],
  ['12/8', 'c3 c3 c3 c3 | c6 c6 |', ['1 2 3 4', '1 (2) 3 (4)']],
  ['3/8', 'ccc | c2c | c3 |', ['1 la li', '1 li', '1']],
  ['5/4', 'c2 c2 c2 c2 c2 | c6 c4 |', ['1 2 3 4 5', '1 (2) (3) 4 (5)']],
  ['5/8', 'ccc cc | c3 c2 |', ['1 la li 2 &', '1 2']],
  ['7/8', 'ccc cc cc | c3 c2 c2 |', ['1 la li 2 & 3 &', '1 2 3']],
  ['2+2+3/8', 'cc cc ccc | c2 c2 c3 |', ['1 & 2 & 3 la li', '1 2 3']],
  ['3+2/8', 'c3 c2 | c2c cc |', ['1 2', '1 li 2 &']],
];
const TAKADIMI: readonly (readonly [string, string, readonly string[]])[] = [
  // Hoffman, Pelto and White (1996): simple meter ta di / ta ka di mi, compound ta ki da / ta va ki di da ma, borrowed
  // divisions alike.
  [
    '2/4',
    'c2 c2 | cc cc | c/c/c/c/ cc | c3/2c/ cc/c/ | c/c/c c2 | (3ccc c2 |',
    ['ta ta', 'ta di ta di', 'ta ka di mi ta di', 'ta mi ta di mi', 'ta ka di ta', 'ta ki da ta'],
  ],
  ['4/4', 'c3 c c4 | c8 | z2 c2 c2 c2 |', ['ta (ta) di ta (ta)', 'ta (ta) (ta) (ta)', '(ta) ta ta ta']],
  ['6/8', 'c3 c3 | ccc c2c | c/c/c/c/c/c/ c3 | c6 |', ['ta ta', 'ta ki da ta da', 'ta va ki di da ma ta', 'ta (ta)']],
  ['2/4', '(5:4:5c/c/c/c/c/ c2 |', ['ta ka di mi ti ta']],
];
const SYLLABLES: readonly (readonly [string, string, readonly string[]])[] = [
  [
    '4/4',
    'c2 c2 cc c2 | c4 c4 | c8 | c/c/c/c/ cc c4 | c6 c2 |',
    ['ta ta ti ti ta', 'ta-a ta-a', 'ta-a-a-a', 'ti ka ti ka ti ti ta-a', 'ta-a-a ta'],
  ],
  ['4/4', 'c3 c z2 c2 | (3ccc c2 c4 |', ['ta-i ti (sh) ta', 'tri o la ta ta-a']],
];
const UNIT: readonly (readonly [string, string, readonly string[]])[] = [
  ['4/4', 'c2 c2 c4 | c8 | c6 c2 | cc c2 c4 |', ['1 1 1 (2)', '1 (2) (3) (4)', '1 (2) (3) 1', '1 & 1 1 (2)']],
  ['3/4', 'c4 z2 | c6 |', ['1 (2) (1)', '1 (2) (3)']],
];

describe.each([
  ['meter', METER],
  ['takadimi', TAKADIMI],
  ['syllables', SYLLABLES],
  ['unit', UNIT],
] as const)('counting by %s', (system, rows) => {
  it.each(rows)('%s: %s', (meter, music, expected) => expect(count(system, meter, music)).toEqual(expected));
});

describe('counting', () => {
  it('holds more than sixty bars by hand', () =>
    expect(
      [...METER, ...TAKADIMI, ...SYLLABLES, ...UNIT].reduce((n, [, , bars]) => n + bars.length, 0),
    ).toBeGreaterThanOrEqual(60));
  it('follows a change of meter', () =>
    expect(count('meter', '3/4', 'c2 c2 c2 | [M:2/4] c2 c2 | [M:6/8] c3 c3 |')).toEqual(['1 2 3', '1 2', '1 2']));
  it('a note tied for six beats is off on seven', () => {
    // Handbook chapter 5 [common practice].
    const [tie] = tieCounts(scoreOf('3/4', 'c6- | c6 | c6 |'), 'P1', 1);
    expect([tie?.beats, tie?.offOn]).toEqual([
      { n: 6, d: 1 },
      { n: 7, d: 1 },
    ]);
  });
});
