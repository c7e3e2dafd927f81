import { expect, it } from 'vitest';
import { PLAIN_PLAN, timedMusic } from '../performance';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { breathsInTime } from '.';

// Handbook chapter 9: seconds between breaths at the tempo in force.
it('breaths come behind their notes, each with the seconds it has to last', () => {
  const score = scoreOfAbc('X:1\nM:4/4\nL:1/4\nK:C\nC D E2|F4|G4|A4|]');
  const id = (bar: number): string => score.notes.find((n) => n.bar === bar)?.id ?? '';
  const after = new Set([score.notes[2]?.id ?? '', id(2)]);
  const at = (tempo: number) =>
    breathsInTime(timedMusic(score, { ...PLAIN_PLAN, to: 3, tempo, countInBars: 1 }), after).map((b) => [
      Math.round(b.at * 10) / 10,
      b.bar,
      Math.round(b.span * 10) / 10,
    ]);
  const sixty = at(60);
  expect(sixty.map(([, bar]) => bar)).toEqual([0, 1, 3]);
  expect(sixty[0]?.[0]).toBe(4);
  // Notes that are not slurred are let go a little early: the breath has that room.
  expect(sixty[1]?.[0]).toBeGreaterThan(7);
  expect(sixty[1]?.[0]).toBeLessThanOrEqual(8);
  expect(sixty[1]?.[2]).toBeGreaterThan(7);
  expect(sixty[2]?.[2]).toBe(4);
  expect(at(120)[2]?.[2]).toBe(2);
});
