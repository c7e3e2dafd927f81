import { describe, expect, it } from 'vitest';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { chordSheet } from './chord-sheet';

const SONG = scoreOfAbc(
  'X:1\nM:4/4\nL:1/4\nK:G\n"G"G A B G|"C"c2 "D7"A2|B B A A|"G"G2 G2|]\nw:Out we go a-cross the bay, row-ing, sing-ing home\nw:Home we come be-fore the night, sleep-ing, dream-ing still',
);
/** `[G]Out we go [C]cross`, a row a verse. */
const rows = (spans: readonly (readonly [number, number])[], score = SONG) =>
  chordSheet(score, spans).map((l) =>
    l.verses.map((v) => v.segments.map((s) => `${s.chord === '' ? '' : `[${s.chord}]`}${s.text}`).join('')),
  );

describe('words with chords above them', () => {
  it('has each chord over what is sung from it on, a row a verse', () => {
    expect(rows([[0, 1]])).toEqual([['[G]Out we go a[C]cross [D7]the ', '[G]Home we come be[C]fore [D7]the ']]);
  });
  it('says the chord that goes on again where a line begins', () => {
    expect(rows([[2, 3]])).toEqual([['[D7]bay, rowing, sing[G]ing home ', '[D7]night, sleeping, dream[G]ing still ']]);
  });
  it('has the chords alone where nothing is sung, and nothing where no chord is printed', () => {
    const tune = scoreOfAbc('X:1\nM:4/4\nL:1/4\nK:G\nz2 "G"G A|"C"c4|]');
    expect(rows([[0, 1]], tune)).toEqual([['[G][C]']]);
    expect(chordSheet(scoreOfAbc('X:1\nM:4/4\nL:1/4\nK:G\nG A B c|]'), [[0, 0]])).toEqual([]);
  });
  it('keeps what is sung before the first chord', () => {
    const song = scoreOfAbc('X:1\nM:3/4\nL:1/4\nK:G\nD|"G"G A B|]\nw:The lamps are lit');
    expect(rows([[0, 1]], song)).toEqual([['The [G]lamps are lit ']]);
  });
});
