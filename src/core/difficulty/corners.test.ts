import { describe, expect, it } from 'vitest';
import { analysisOf } from '../analysis';
import { openAbc } from '../studio';
import type { BarDifficulty } from './bar-difficulty';

function cornersIn(bars: readonly string[], head = 'M:4/4\nL:1/8\nQ:1/4=88\nK:C'): readonly BarDifficulty[] {
  const opened = openAbc(`X:1\n${head}\n${bars.join('|')}|`, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return analysisOf(opened.value.read.score).corners;
}
const numbers = (corners: readonly BarDifficulty[]): number[] => corners.map((c) => c.bar);

const EASY = ['c2d2 e2f2', 'g2e2 c4', 'e2d2 c2d2', 'g4 c4', 'd2e2 f2d2', 'e2g2 c4', 'f2e2 d2e2', 'd4 c4'];
const RUNNING = [
  'c/d/e/f/ g/f/e/d/ c/e/d/f/ e/g/f/e/',
  'd/e/f/g/ a/g/f/e/ d/f/e/g/ f/a/g/f/',
  'e/f/g/a/ b/a/g/f/ e/g/f/a/ g/b/a/g/',
  "f/g/a/b/ c'/b/a/g/ f/a/g/b/ a/c'/b/a/",
  'e/f/g/a/ g/f/e/d/ c/e/d/c/ B/c/d/e/',
  'd/e/f/g/ f/e/d/c/ B/d/c/B/ A/B/c/d/',
  'c/d/e/d/ c/B/A/B/ c/d/e/f/ g/f/e/d/',
  'e/f/g/f/ e/d/c/d/ e/g/f/e/ d/c/B/c/',
];
const HARD = {
  'a run with accidentals': '^f/g/^g/a/ _b/a/_a/g/ ^f/e/_e/d/ ^c/d/^d/e/',
  'wide leaps': "C/c'/D/d'/ E/e'/C/c'/ F/f'/D/d'/ C/g'/C/c'/",
  'chords that change': '[^C^EGB][DFAc] [_E_GB_d][EGBd] [F_Ac_e][^FA^ce] [_E_GB_d][DFAc]',
  'notes off the beat': 'c>^d (3efg ^ga-a/_b/^c- cd',
};

describe('corners', () => {
  it.each(Object.entries(HARD))('%s, planted anywhere in an easy piece, come first', (_, hard) => {
    for (let at = 0; at <= EASY.length; at += 1) {
      const bars = [...EASY.slice(0, at), hard, ...EASY.slice(at)];
      expect(numbers(cornersIn(bars))[0]).toBe(at);
    }
  });
  it('of several planted bars all come before the rest', () => {
    const hard = Object.values(HARD);
    const bars = [...EASY, ...EASY.map((bar) => bar.replace('c', 'g')), ...EASY.map((bar) => bar.replace('e', 'a'))];
    bars.splice(3, 1, hard[0] ?? '');
    bars.splice(11, 1, hard[1] ?? '');
    bars.splice(18, 1, hard[2] ?? '');
    expect(new Set(numbers(cornersIn(bars)).slice(0, 3))).toEqual(new Set([3, 11, 18]));
  });
  it.each(['a run with accidentals', 'wide leaps'] as const)('%s are found where half the piece runs', (which) => {
    for (let at = 1; at < RUNNING.length; at += 3) {
      const bars = [...EASY, ...RUNNING.slice(0, at), HARD[which], ...RUNNING.slice(at)];
      expect(numbers(cornersIn(bars))[0]).toBe(EASY.length + at);
    }
  });
  it('none stands out where every bar asks the same', () => {
    expect(cornersIn(RUNNING.slice(0, 4))).toEqual([]);
    expect(cornersIn(EASY)).toEqual([]);
  });
  it('a figure that comes four times is a corner where it comes first', () => {
    const hard = HARD['a run with accidentals'];
    expect(numbers(cornersIn([...EASY, hard, hard, hard, hard, ...EASY]))).toEqual([8]);
  });
  it('at most one bar in six is one', () => {
    const bars = [...EASY, ...Object.values(HARD), ...RUNNING, ...Object.values(HARD).map((b) => b.replace('e', 'g'))];
    expect(cornersIn(bars).length).toBeLessThanOrEqual(Math.ceil(bars.length / 6));
  });
  it('names the trouble of the instrument', () => {
    const head = 'M:4/4\nL:1/8\nQ:1/4=88\nV:1 name="Clarinet in Bb" transpose=-2\nK:C';
    const bars = ['e2f2 g2e2', 'e2d2 c4', 'f2e2 d2c2', 'g4 e4', 'a2b2 a2b2', 'e2g2 f4', 'g2f2 e2d2', 'c8'];
    // From the throat A up to B all fingers go down [common practice].
    bars.splice(4, 1, 'AB AB AB c2');
    bars.splice(3, 1, 'G4 E4');
    const [first] = cornersIn(bars, head);
    expect(first?.bar).toBe(4);
    expect(first?.reasons.map((r) => r.kind)).toContain('break');
  });
});
