import { describe, expect, it } from 'vitest';
import { openAbc } from '../studio';
import { defaultLadder, densestQuarter, startTempo } from './default-ladder';

const score = (abc: string) => {
  const opened = openAbc(`X:1\nM:4/4\nL:1/8\nQ:1/4=100\nK:C\n${abc}`, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score;
};
const ladder = (abc: string) => {
  let n = 0;
  const s = score(abc);
  return defaultLadder({ score: s, from: 0, to: s.bars.length - 1, instrument: 'piano', targetTempo: null, newId: () => `r${(n += 1)}` });
};

describe('default ladder', () => {
  it('finds the busiest quarter', () => expect(densestQuarter(score('c8 | c/c/c/c/ c2 c4 |'), 0, 1)).toBe(4));
  it('starts at 60 % of the target where notes are few', () => expect(startTempo(score('c8|'), 0, 0, 100)).toBe(60));
  it('starts slower where the densest beat asks for it: sixteenths at four notes a second are 60, thirty-seconds 30', () => {
    expect(startTempo(score('c/c/c/c/ c6 |'), 0, 0, 200)).toBe(60);
    expect(startTempo(score('c/4c/4c/4c/4c/4c/4c/4c/4 c6 |'), 0, 0, 200)).toBe(30);
  });
  it('asks for hands apart only where there are two', () => {
    expect(ladder('c8|c8|').map((r) => r.kind)).not.toContain('left-alone');
    expect(ladder('V:1\nc8|\nV:2\nC8|').map((r) => r.kind)).toContain('left-alone');
  });
  it('has dynamics only where some are printed', () => {
    expect(ladder('c8|c8|').map((r) => r.kind)).not.toContain('dynamics');
    expect(ladder('!p!c8|c8|').map((r) => r.kind)).toContain('dynamics');
  });
  it('begins low, ends with the run at the target, and says why each rung is there', () => {
    const rungs = ladder('cdef gabc|c8|');
    expect(rungs[rungs.length - 1]).toMatchObject({ kind: 'run', tempo: 100 });
    expect(rungs.every((r) => r.why !== '' && r.done !== '')).toBe(true);
  });
});
