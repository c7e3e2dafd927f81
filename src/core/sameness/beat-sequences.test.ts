import { describe, expect, it } from 'vitest';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { findSameness } from './find-sameness';

const found = (music: string, meter = '4/4') =>
  findSameness(scoreOfAbc(`X:1\nM:${meter}\nL:1/8\nQ:1/4=60\nK:C\n${music}|`)).beatSequences;

describe('sequences that begin or end inside a bar', () => {
  it('finds half bars that step down, from the third beat on', () => {
    const [one, ...more] = found('C2 E2 e d c d | d c B c c B A B | C8 ');
    expect(more).toEqual([]);
    expect(one).toMatchObject({ a: [0, 0], b: [1, 1], to: 1, times: 3, steps: -1, bFrom: 0 });
    expect(one?.semitones).toBe(-2);
  });

  it('finds a shape of a bar and a half', () => {
    const [one] = found('C2 E2 D2 | E2 F D D2 | F2 E2 F2 | G E E2 G2 | F2 G2 A F | F2 z4', '3/4');
    expect(one).toMatchObject({ a: [0, 1], aFrom: 0, times: 3, steps: 1 });
  });

  it('does not call a scale, a broken chord that climbs, or a figure that stays a sequence', () => {
    expect(found('C D E F G A B c | c B A G F E D C')).toEqual([]);
    expect(found('C E G B d f a c | C E C E C E C E')).toEqual([]);
    expect(found('C E D E C E D E | C E D E C E D E')).toEqual([]);
  });

  it('leaves to sequences of whole bars what they tell', () => {
    const music = 'C E D F E F G E | D F E G F G A F | E G F A G A B G';
    expect(found(music)).toEqual([]);
  });

  it('wants a shape three times: twice may be chance', () => {
    expect(found('C2 E2 e d c d | d c B c G2 C2 | C8 ')).toEqual([]);
  });
});
