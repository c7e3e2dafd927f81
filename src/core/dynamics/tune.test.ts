import { describe, expect, it } from 'vitest';
import { suggestDynamics } from './suggest';
import { tuneStaff } from './tune';
import { scoreOfAbc } from '../studio/abc-for-tests';

const scoreOf = (upper: string, lower: string) =>
  scoreOfAbc(
    `X:1\nM:4/4\nL:1/4\n%%score {1 2}\nV:1 clef=treble name="Piano"\nV:2 clef=bass\nK:C\nV:1\n!mf!${upper}\nV:2\n${lower}\n`,
  );
const LINE = 'c d e d | c d e f | g f e d | c4 |]';
const LOW_LINE = 'C, D, E, D, | C, D, E, F, | G, F, E, D, | C,4 |]';
const CHORDS = '[ceg]2 [ceg]2 | [ceg]2 [ceg]2 | [Bdg]2 [Bdg]2 | [ceg]4 |]';
const LOW_CHORDS = '[C,E,G,]2 [C,E,G,]2 | [C,E,G,]2 [C,E,G,]2 | [B,,D,G,]2 [B,,D,G,]2 | [C,E,G,]4 |]';

describe('the staff that has the tune', () => {
  it('is the upper one over chords', () => expect(tuneStaff(scoreOf(LINE, LOW_CHORDS))?.staff).toBe(1));
  it('is the lower one under repeated chords', () => expect(tuneStaff(scoreOf(CHORDS, LOW_LINE))?.staff).toBe(2));
  it('is the top of the chords where both hands strike together', () =>
    expect(tuneStaff(scoreOf('[ce] [df] [eg] [df] | [ce]4 |]', 'C, D, E, D, | C,4 |]'))?.staff).toBe(1));
  it('is the upper one of two like lines', () => expect(tuneStaff(scoreOf(LINE, LOW_LINE))?.staff).toBe(1));
  it('lets the other staff lie a level under it', () => {
    const upper = scoreOf(CHORDS, LOW_LINE);
    const softer = suggestDynamics(upper).find((s) => s.reason.startsWith('the accompaniment'));
    expect(upper.notes.find((n) => n.id === softer?.noteId)?.staff).toBe(1);
    expect(softer?.level).toBe('mp');
  });
});
