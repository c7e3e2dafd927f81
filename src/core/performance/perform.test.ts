import { describe, expect, it } from 'vitest';
import { readScore } from '../musicxml';
import { playingOrder } from '../score';
import { perform } from '.';

const scoreOf = (bars: string) => {
  const read = readScore(
    `<score-partwise><part-list><score-part id="P1"><part-name>x</part-name></score-part></part-list><part id="P1">${bars}</part></score-partwise>`,
    'x.musicxml',
  );
  if (!read.ok) throw new Error(read.issue.message);
  return read.value.score;
};
const HEAD = '<attributes><divisions>2</divisions><time><beats>2</beats><beat-type>4</beat-type></time></attributes>';
const eighth = (step: string, more = '') =>
  `<note${more}><pitch><step>${step}</step><octave>4</octave></pitch><duration>1</duration><type>eighth</type></note>`;
const starts = (bars: string) => {
  const score = scoreOf(bars);
  const { order } = playingOrder(score.bars);
  return perform(score, { order }).notes.map((n) => [
    n.start / score.ticksPerQuarter,
    n.length / score.ticksPerQuarter,
  ]);
};

// MusicXML 4.0: swing, time-only.
describe('playing', () => {
  const four = ['C', 'D', 'E', 'F'].map((s) => eighth(s)).join('');
  const swing = '<sound><swing><first>2</first><second>1</second><swing-type>eighth</swing-type></swing></sound>';
  it('swings pairs of eighths from where it is said to where it is straight again', () => {
    const straight = '<sound><swing><straight/></swing></sound>';
    const near = (list: readonly (readonly number[])[]) => list.map(([a = 0, b = 0]) => [a.toFixed(2), b.toFixed(2)]);
    const played = starts(
      `<measure number="1">${HEAD}${swing}${four}</measure><measure number="2">${straight}${four}</measure>`,
    );
    expect(near(played)).toEqual(
      near([
        [0, 2 / 3],
        [2 / 3, 1 / 3],
        [1, 2 / 3],
        [1 + 2 / 3, 1 / 3],
        [2, 0.5],
        [2.5, 0.5],
        [3, 0.5],
        [3.5, 0.5],
      ]),
    );
  });
  it('leaves out in a pass what is only for another', () => {
    const bar = `<measure number="1">${HEAD}${eighth('C')}${eighth('D')}${eighth('E', ' time-only="1"')}${eighth('F', ' time-only="2"')}<barline location="right"><repeat direction="backward"/></barline></measure>`;
    expect(starts(bar).map(([start]) => start)).toEqual([0, 0.5, 1, 2, 2.5, 3.5]);
  });
});
