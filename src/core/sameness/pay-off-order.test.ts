import { describe, expect, it } from 'vitest';
import { payOff } from './pay-off';
import { scoreOfAbc } from '../studio/abc-for-tests';

const read = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:C\n${music}`);

// Worked by hand: a bar of four quarters at 60 lasts four seconds.
describe('what pays to learn first', () => {
  it('is the bar that comes most often', () => {
    const steps = payOff(read('C D E F | c/B/A/G/ F2 | C D E F | C D E F |]'));
    expect(steps[0]?.sharePlayed).toBeCloseTo(0.75, 6);
    expect([0, 2, 3]).toContain(steps[0]?.bars[0]);
    expect(steps[0]?.seconds).toBeCloseTo(12, 6);
    expect(steps[1]?.bars).toContain(1);
    expect(steps[1]?.sharePlayed).toBeCloseTo(1, 6);
  });
  it('counts a bar as often as it is played, with repeats', () => {
    const steps = payOff(read('|: c/B/A/G/ F2 :| C4 | G,2 A,2 |]'));
    expect(steps[0]?.bars).toEqual([0]);
    expect(steps[0]?.sharePlayed).toBeCloseTo(0.5, 6);
    expect(steps[0]?.seconds).toBeCloseTo(8, 6);
  });
  it('never pays less with a bar more, and ends at the whole', () => {
    const steps = payOff(read('C D E F | G A B c | c B A G | C4 | C D E F | G A B c | c B A F | G4 |]'));
    steps.forEach((step, i) => expect(step.sharePlayed).toBeGreaterThan(steps[i - 1]?.sharePlayed ?? 0));
    expect(steps[steps.length - 1]?.sharePlayed).toBeCloseTo(1, 6);
  });
});
