import { describe, expect, it } from 'vitest';
import { readScore } from '../musicxml';
import { instrumentOf } from '../instruments';
import { fingerScore } from './finger-score';
import { positionNamed, printedFingers } from './printed';

const scoreOf = (music: string) => {
  const read = readScore(
    `<score-partwise><part-list><score-part id="P1"><part-name>x</part-name></score-part></part-list><part id="P1"><measure number="1"><attributes><divisions>1</divisions></attributes>${music}</measure></part></score-partwise>`,
    'x.musicxml',
  );
  if (!read.ok) throw new Error(read.issue.message);
  return read.value.score;
};
const note = (step: string, octave: number, technical = '') =>
  `<note><pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>1</duration>${technical === '' ? '' : `<notations><technical>${technical}</technical></notations>`}</note>`;
const words = (text: string) => `<direction><direction-type><words>${text}</words></direction-type></direction>`;
const violin = (music: string) => fingerScore(scoreOf(music), { instrument: 'violin' }).notes;

describe('what is printed', () => {
  it('of a finger, a string or a position is kept, and said to be printed', () => {
    expect(violin(note('A', 5, '<fingering>4</fingering>'))).toMatchObject([
      { finger: '4', printed: true, why: 'printed' },
    ]);
    expect(violin(note('E', 5, '<string>2</string>'))).toMatchObject([{ string: 2, why: 'the string is printed' }]);
    // D on the A string: third finger in first position, first finger in third.
    expect(violin(note('D', 5))[0]?.finger).toBe('3');
    expect(violin(`${words('III pos.')}${note('D', 5)}`)).toMatchObject([
      { finger: '1', string: 2, printed: true, why: 'the position is printed' },
    ]);
  });
  it('gives way to what the teacher sets', () => {
    const score = scoreOf(note('D', 5, '<fingering>3</fingering>'));
    const [id = ''] = score.notes.map((n) => n.id);
    const [own] = fingerScore(score, { instrument: 'violin', locks: new Map([[id, { finger: '1' }]]) }).notes;
    expect(own).toMatchObject({ finger: '1', why: 'yours' });
    expect(own).not.toHaveProperty('printed');
  });
  it('of valves is known where the chart has them', () => {
    const score = scoreOf(note('D', 4, '<fingering>13</fingering>') + note('E', 4, '<fingering>x</fingering>'));
    const { fingers } = instrumentOf('trumpet');
    if (!fingers) throw new Error('no chart');
    expect([...printedFingers(score, fingers).values()]).toEqual([{ keys: '13' }]);
  });
  it.each([
    ['III pos.', 3],
    ['2nd position', 2],
    ['Lage IV', 4],
    ['1. Lage', 1],
    ['III', null],
    ['position of the bow', null],
    ['pos. 40', null],
  ])('%s names position %s', (text, position) => expect(positionNamed(text)).toBe(position));
});
