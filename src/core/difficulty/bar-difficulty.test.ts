import { describe, expect, it } from 'vitest';
import { openAbc } from '../studio';
import { quarterBpm } from '../units';
import { barDifficulties } from './bar-difficulty';

const rate = (music: string, tempo = 90) => {
  const opened = openAbc(`X:1\nM:4/4\nL:1/8\nQ:1/4=90\nK:C\n${music}|`, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  const [bar] = barDifficulties(opened.value.read.score, { tempo: quarterBpm(tempo) });
  if (!bar) throw new Error('no bar');
  return bar;
};

describe('difficulty of a bar', () => {
  it('is nothing for one held note', () => expect(rate('c8')).toMatchObject({ bar: 0, score: 0, reasons: [] }));
  it('grows with the tempo', () => expect(rate('cdefgabc', 160).score).toBeGreaterThan(rate('cdefgabc', 60).score));
  it.each([
    ['leap', "C2 c'2 C2 c'2", 'c2 d2 c2 d2'],
    ['accidental', '^c2 _e2 ^f2 _a2', 'c2 e2 f2 a2'],
    ['chord', '[CEG]4 [DFA]4', 'C4 D4'],
    ['ornament', '!trill!c4 {d}c4', 'c4 c4'],
  ])('names a %s and counts it', (kind, hard, easy) => {
    expect(rate(hard).reasons.map((r) => r.kind)).toContain(kind);
    expect(rate(hard).score).toBeGreaterThan(rate(easy).score);
  });
  it('stays within 0 and 10', () =>
    expect(rate("^c/_e'/^C,/_e'/ ^c/_e'/^C,/_e'/ [^C_EG^c]/_e'/ ^c/_e'/^C,/_e'/", 600).score).toBeLessThanOrEqual(10));
});
