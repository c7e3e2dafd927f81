import { describe, expect, it } from 'vitest';
import { openAbc, type Mark } from '@/core/studio';
import { patternsOf, strokesOf } from './strum-strokes';

const read = (meter: string) => {
  const opened = openAbc(`X:1\nM:${meter}\nL:1/4\nK:G\nG3 | D3 | G3 |]\n`, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score;
};
const strokes = (meter: string, pattern: string): readonly string[] => {
  const score = read(meter);
  const [bar] = score.bars;
  return bar
    ? strokesOf(bar, pattern, score.ticksPerQuarter).map((s) => `${s.onset / score.ticksPerQuarter} ${s.text}`)
    : [];
};

describe('a strum', () => {
  it('has a group of strokes a beat, shared evenly; a dash is none', () => {
    expect(strokes('3/4', 'D DU -U')).toEqual(['0 ↓', '1 ↓', '1.5 ↑', '2.5 ↑']);
  });
  it('begins again where it is shorter than the bar, and follows the beats of the meter', () => {
    expect(strokes('3/4', 'D')).toEqual(['0 ↓', '1 ↓', '2 ↓']);
    expect(strokes('6/8', 'pim am-')).toEqual(['0 p', '0.5 i', '1 m', '1.5 a', '2 m']);
  });
  it('holds from its bar to the next one that is written', () => {
    const { bars } = read('3/4');
    const mark = (bar: number, pattern: string) => ({ kind: 'strum', barId: bars[bar]?.id, pattern }) as Mark;
    expect([...patternsOf(bars, [mark(0, 'D D D'), mark(2, 'D DU DU')]).values()]).toEqual([
      'D D D',
      'D D D',
      'D DU DU',
    ]);
    expect([...patternsOf(bars, [mark(1, 'D')]).keys()]).toEqual([1, 2]);
  });
});
