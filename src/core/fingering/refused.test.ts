import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { InstrumentId } from '../instruments';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { fingerScore } from './finger-score';
import type { FingeredNote } from './types';

const TUNE = 'X:1\nM:4/4\nL:1/4\nK:C\nC D E F | G A B c | B A G F | E D C2 |]';
const score = scoreOfAbc(TUNE);
const answer = (n: FingeredNote | undefined): string => n?.keys ?? n?.finger ?? '';

const PLAYED = ['piano', 'violin', 'guitar', 'clarinet'] as const satisfies readonly InstrumentId[];

describe('a finger that was refused', () => {
  it.each(PLAYED)('is followed by the next best on the %s, as long as there is another', (instrument) => {
    const at = fc.nat(score.notes.length - 1);
    fc.assert(
      fc.property(at, (index) => {
        const free = fingerScore(score, { instrument });
        const note = free.notes[index];
        if (!note) return true;
        const refused: string[] = [];
        let cost = free.cost;
        // All ten fingers at the most: then none is left, and something is proposed all the same.
        for (let asked = 0; asked < 12; asked += 1) {
          const again = fingerScore(score, { instrument, refused: new Map([[note.noteId, refused]]) });
          const now = answer(again.notes.find((n) => n.noteId === note.noteId));
          expect(now).not.toBe('');
          if (refused.includes(now)) return refused.length >= 1;
          // A hand is solved twice, the second time after what the first found: there the costs are of other rules.
          if (instrument !== 'piano') expect(again.cost).toBeGreaterThanOrEqual(cost - 1e-9);
          cost = again.cost;
          refused.push(now);
        }
        return false;
      }),
      { numRuns: 12 },
    );
  });

  it('leaves the piano four others, one after the other', () => {
    const [first] = fingerScore(score, { instrument: 'piano' }).notes;
    const refused: string[] = [];
    for (let k = 0; k < 5; k += 1) {
      const { notes } = fingerScore(score, {
        instrument: 'piano',
        refused: new Map([[first?.noteId ?? '', refused]]),
      });
      refused.push(answer(notes[0]));
    }
    expect([...refused].sort()).toEqual(['1', '2', '3', '4', '5']);
  });

  it('stays where the teacher set it all the same', () => {
    const [first] = fingerScore(score, { instrument: 'piano' }).notes;
    const noteId = first?.noteId ?? '';
    const { notes } = fingerScore(score, {
      instrument: 'piano',
      locks: new Map([[noteId, { finger: '3' }]]),
      refused: new Map([[noteId, ['3']]]),
    });
    expect(answer(notes[0])).toBe('3');
  });
});
