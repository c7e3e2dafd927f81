import { describe, expect, it } from 'vitest';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { pieceContent, sectionContent } from './section-content';

const score = (abc: string, head = 'M:4/4\nL:1/8\nQ:1/4=100\nK:C') => scoreOfAbc(`X:1\n${head}\n${abc}`);
const content = (abc: string, from?: number, to?: number, head?: string) => {
  const s = score(abc, head);
  return sectionContent(pieceContent(s), from ?? 0, to ?? s.bars.length - 1);
};
const PIANO = '%%score {1 2}\n';

describe('what bars hold', () => {
  it('hands: those that play in these bars, of a part of two staves', () => {
    const both = `${PIANO}V:1\nc8|c8|\nV:2 clef=bass\nz8|C8|`;
    expect(content(both).hands).toEqual(['right', 'left']);
    expect(content(both, 0, 0).hands).toEqual(['right']);
    expect(content('c8|').hands).toEqual([]);
  });
  it('parts and notes: struck ones, a tied note once', () => {
    expect(content('V:1\nc4 c4|\nV:2\nC8|')).toMatchObject({ parts: 2, notes: 3 });
    expect(content('c8-|c8|').notes).toBe(1);
    expect(content('z8|z8|')).toMatchObject({ parts: 0, notes: 0 });
  });
  it('a scale: five notes in a row by step, one way, in the key', () => {
    expect(content('cdef g4|', 0, 0, 'M:4/4\nL:1/8\nK:C').scaleRun).toEqual({ name: 'C major', bar: 0 });
    expect(content('cdef e4|').scaleRun).toBeNull();
    expect(content('gfed c4|').scaleRun?.name).toBe('C major');
    expect(content('ccde f4|').scaleRun).toBeNull();
    expect(content('c2cd ef g2|').scaleRun).toEqual({ name: 'C major', bar: 0 });
    expect(content('cdec defg|a8|').scaleRun?.bar).toBe(0);
    // The bar in which the fifth note falls.
    expect(content('z4 cdef|g8|').scaleRun?.bar).toBe(1);
  });
  it('a leap: the widest of an octave or more, in one voice, and where it lands', () => {
    expect(content('c4 b4|').leap).toBeNull();
    expect(content("c4 c'4|").leap).toEqual({ semitones: 12, bar: 0 });
    expect(content("c4 c'4|C8|").leap).toEqual({ semitones: 24, bar: 1 });
    expect(content("c8|z8|c'8|").leap).toEqual({ semitones: 12, bar: 2 });
    expect(content(`${PIANO}V:1\nc8|\nV:2 clef=bass\nC,,8|`).leap).toBeNull();
  });
  it('chords: bars with three keys at once in one hand', () => {
    expect(content('[ceg]8|[ce]8|[ceg]4 [dfa]4|').chordBars).toBe(2);
    expect(content(`${PIANO}V:1\n[ce]8|\nV:2 clef=bass\n[CE]8|`).chordBars).toBe(0);
  });
  it('changes of chord symbols, each once, of these bars only', () => {
    const song = '"G"c4 "C"c4|"G"c4 "C"c4|"D"c4 "D"c4|';
    expect(content(song).chordChanges).toEqual(['G to C', 'C to G', 'C to D']);
    expect(content(song, 2, 2).chordChanges).toEqual([]);
  });
  it('rhythms that were not met earlier in the piece', () => {
    const piece = 'c2c2c2c2|d2d2d2d2|c4c4|e2e2e2e2|c3c c4|';
    expect(content(piece).newRhythms).toEqual([0, 2, 4]);
    expect(content(piece, 1, 3).newRhythms).toEqual([2]);
    // A single note in a bar is no rhythm to learn.
    expect(content('c8|d8|').newRhythms).toEqual([]);
  });
  it('touches, dynamics, words, ornaments and free time, where they stand', () => {
    expect(content('(cd)c2 c4|c8|', 0, 0).touches).toBe(true);
    expect(content('(cd)c2 c4|c8|', 1, 1).touches).toBe(false);
    expect(content('.c8|').touches).toBe(true);
    expect(content('!breath!c8|').touches).toBe(false);
    expect(content('!p!c8|c8|', 1, 1).dynamics).toBe(false);
    expect(content('c8|!p!c8|').dynamics).toBe(true);
    expect(content('!<(!c4 !<)!d4|').dynamics).toBe(true);
    expect(content('c4 d4|\nw: a- long').words).toBe(true);
    expect(content('c8|Td8|Te4 Tf4|').ornaments).toEqual([1, 2]);
    expect(content('"^rubato"c8|c8|').freeTime).toBe('rubato');
    expect(content('c8|c8|').freeTime).toBeNull();
  });
  it('corners: two of the piece at most, else the one bar clearly above its neighbours', () => {
    const hard = "c8|c8|c8|c8|^c/=d/^d/e/ f/^f/g/^g/ a/^a/b/c'/ ^c'/d'/^d'/e'/|c8|c8|c8|";
    const found = content(hard);
    expect(found.corners.map((c) => c.bar)).toEqual([4]);
    expect(found.corners[0]?.reason).not.toBe('');
    expect(content(hard, 0, 3).corners).toEqual([]);
    expect(content(hard, 0, 0).corners).toEqual([]);
  });
});
