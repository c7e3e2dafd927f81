import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { matchEditions } from './match-editions';
import { scoreOfAbc } from '../studio/abc-for-tests';

const score = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${music}`);

describe('a corrected edition', () => {
  it('keeps every note of bars that did not change, though a bar was put in before them', () => {
    const before = score('C D E F | G A B c | c B A G |');
    const after = score('G4 | C D E F | G A B c | c B A G |');
    const match = matchEditions(before, after);
    expect(match.bars).toEqual(
      new Map([
        ['bar-1', 'bar-2'],
        ['bar-2', 'bar-3'],
        ['bar-3', 'bar-4'],
      ]),
    );
    expect(match.notes.size).toBe(12);
    expect(match.notes.get('p1-b2-n1')).toBe('p1-b3-n1');
    expect([match.changedBars, match.lostBars]).toEqual([[0], []]);
  });
  it('loses just the note that was corrected', () => {
    const match = matchEditions(score('C D E F | G A B c |'), score('C D ^D F | G A B c |'));
    expect(match.notes.has('p1-b1-n3')).toBe(false);
    expect(match.notes.size).toBe(7);
    expect(match.changedBars).toEqual([0]);
  });
  it('keeps a note whose length was corrected', () =>
    expect(matchEditions(score('C D E2 |'), score('C D E z |')).notes.size).toBe(3));
  it('says which bars are gone', () =>
    expect(matchEditions(score('C4 | D4 | E4 |'), score('C4 | E4 |')).lostBars).toEqual(['bar-2']));
  it('of a piece with itself keeps all', () => {
    const step = fc.constantFrom('C', 'D', 'E', 'F', 'G', 'z');
    fc.assert(
      fc.property(fc.array(fc.array(step, { minLength: 4, maxLength: 4 }), { minLength: 1, maxLength: 6 }), (bars) => {
        const music = `${bars.map((b) => b.join(' ')).join(' | ')} |`;
        const one = score(`c4 | ${music}`);
        const match = matchEditions(one, score(`c4 | ${music}`));
        expect(match.notes).toEqual(new Map(one.notes.map((n) => [n.id, n.id])));
        expect(match.changedBars).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
});
