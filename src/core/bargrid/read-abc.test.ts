import { describe, expect, it } from 'vitest';
import { pitchName, playingOrder } from '../score';
import { openAbc } from '../studio';
import { parseAbcKey } from './abc-header';
import { scoreOfAbc } from '../studio/abc-for-tests';

const HEAD = 'X:1\nM:4/4\nL:1/8\nK:';
const open = (abc: string) => scoreOfAbc(abc);
const notes = (music: string, key = 'C'): string[] => {
  const score = open(`${HEAD}${key}\n${music}`);
  return score.notes.map((n) => `${n.pitch ? pitchName(n.pitch) : 'x'} ${n.duration / score.ticksPerQuarter}`);
};

// The ABC Music Standard 2.1 (2011), chapters 3 to 5.
describe('ABC', () => {
  it('reads octaves and lengths', () => {
    const score = open(`${HEAD}C
C, C c c'2 c/ c3/2 c//`);
    expect(
      score.notes.map((n) => `${n.pitch ? pitchName(n.pitch) : ''} ${n.duration / score.ticksPerQuarter}`),
    ).toEqual(['C3 0.5', 'C4 0.5', 'C5 0.5', 'C6 1', 'C5 0.25', 'C5 0.75', 'C5 0.125']);
  });
  it('keeps accidentals to the end of the bar', () =>
    expect(notes('^F F | F')).toEqual(['F♯4 0.5', 'F♯4 0.5', 'F4 0.5']));
  it('takes the key signature', () => expect(notes('F _B =B', 'D')).toEqual(['F♯4 0.5', 'B♭4 0.5', 'B4 0.5']));
  it('breaks rhythm both ways', () => expect(notes('c>d e<f')).toEqual(['C5 0.75', 'D5 0.25', 'E5 0.25', 'F5 0.75']));
  it('puts three in the time of two', () =>
    expect(notes('(3cde')).toEqual(['C5', 'D5', 'E5'].map((n) => `${n} ${1 / 3}`)));
  it('reads chords with one length', () => expect(notes('[CEG]4')).toEqual(['C4 2', 'E4 2', 'G4 2']));
  it('ties over the bar line', () =>
    expect(open(`${HEAD}C\nc8- | c8 |`).notes.map((n) => n.tie)).toEqual(['start', 'stop']));
  it('reads grace notes before their note', () =>
    expect(open(`${HEAD}C\n{/d}c4`).notes.map((n) => n.grace)).toEqual([{ slash: true }, null]));
  it('reads repeats and endings', () =>
    expect(playingOrder(open(`${HEAD}C\n|: c8 |1 d8 :|2 e8 |]`).bars).order).toEqual([0, 1, 0, 2]));
  it('hangs words under notes, syllable by syllable', () =>
    expect(
      open(`${HEAD}C\nc2 d2 e2 f2 |\nw: har-bour lights~on`).notes.map((n) =>
        n.marks.lyrics.map((l) => `${l.text}/${l.syllabic}`).join(),
      ),
    ).toEqual(['har/begin', 'bour/end', 'lights on/single', '']));
  it('joins two voices in a brace to one part of two staves', () => {
    const score = open('X:1\nM:4/4\nL:1/4\n%%score {1 2}\nV:1\nV:2 clef=bass\nK:C\nV:1\nc4|\nV:2\nC,4|\n');
    expect(score.parts.map((p) => p.staves)).toEqual([2]);
    expect(score.notes.map((n) => [n.staff, n.midi])).toEqual([
      [2, 48],
      [1, 72],
    ]);
  });
  it('counts a pick-up as bar 0', () =>
    expect(open(`${HEAD}C\nc2 | c8 |`).bars.map((b) => b.number)).toEqual(['0', '1']));
  it.each([
    ['G', 1],
    ['Am', 0],
    ['D dorian', 0],
    ['Bb', -2],
    ['F#m', 3],
    ['Emix', 3],
    ['none', 0],
  ])('K:%s has %i fifths', (text, fifths) => expect(parseAbcKey(text)?.fifths).toBe(fifths));
  it('says what it leaves out, with the bar', () => {
    const opened = openAbc(`${HEAD}C\nc8 | !nonsense!c8 |`, 'x.abc');
    expect(opened.ok && opened.value.read.score.warnings.map((w) => [w.code, w.number])).toContainEqual(['abc', '2']);
  });
  it('refuses text without notes', () =>
    expect(openAbc('X:1\nT:nothing\nK:C\n', 'x.abc')).toMatchObject({ ok: false, issue: { code: 'abc-no-music' } }));
});
