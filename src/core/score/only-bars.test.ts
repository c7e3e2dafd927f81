import { describe, expect, it } from 'vitest';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { onlyBars } from './only-bars';

const SCORE = scoreOfAbc('X:1\nM:3/4\nL:1/4\nK:C\n"C"c3|!p!d z e|"G7"f3|]');

describe('a score of which only some bars are written', () => {
  it('has the notes, rests, signs and chords of these bars, and of no others', () => {
    const second = onlyBars(SCORE, (bar) => bar === 1);
    expect(second.notes.map((n) => n.pitch?.step)).toEqual(['D', 'E']);
    expect(second.rests).toHaveLength(1);
    expect(second.chords).toEqual([]);
    expect(onlyBars(SCORE, (bar) => bar !== 1).chords.map((c) => c.text)).toEqual(['C', 'G7']);
  });
  it('keeps every bar where it was', () => {
    expect(onlyBars(SCORE, () => false).bars).toBe(SCORE.bars);
    expect(onlyBars(SCORE, () => true).notes).toEqual(SCORE.notes);
  });
});
