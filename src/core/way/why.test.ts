import { describe, expect, it } from 'vitest';
import { analysisOf } from '../analysis';
import { scoreOf } from '../commands/stored-for-tests';
import { proposeWay } from './index';

// A tune of two lines, the second as the first but for its first half (traditional).
const BUNS = scoreOf('X:1\nM:4/4\nL:1/4\nQ:1/4=80\nK:G\nB2 A2 | G4 | B2 A2 | G4 | G G G G | A A A A | B2 A2 | G4 |]');
const stepsOf = (level: 'beginner' | 'advanced') =>
  proposeWay(analysisOf(BUNS), { level, school: null }).steps.map((s) => `${s.chunk.name}: ${s.why}`);

describe('what a line that comes again brings', () => {
  it('is told of the line, not of its first bar, and bars that differ in the copy are not known with it', () => {
    expect(stepsOf('beginner')[0]).toBe(
      'bar 1: begins a line that comes twice: with it you know three quarters of the piece',
    );
    expect(stepsOf('advanced')[0]).toMatch(/: comes twice: after this you know three quarters of the piece$/);
  });
});
