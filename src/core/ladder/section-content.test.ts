import { describe, expect, it } from 'vitest';
import { changeBar, emptyGrid } from '../bargrid';
import { openGrid } from '../studio';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { pieceContent, sectionContent } from './section-content';

const score = (abc: string, head = 'M:4/4\nL:1/8\nQ:1/4=100\nK:C') => scoreOfAbc(`X:1\n${head}\n${abc}`);
const content = (abc: string, from?: number, to?: number, head?: string) => {
  const s = score(abc, head);
  return sectionContent(pieceContent(s), from ?? 0, to ?? s.bars.length - 1);
};
/** One bar of which only the rhythm is known. */
const rhythmOnly = (typed: string) => {
  const grid = emptyGrid({
    title: '',
    composer: '',
    bars: 1,
    staves: 1,
    clef: 'treble',
    meter: '4/4',
    key: 'C',
    pickup: '',
    perMinute: null,
  });
  const opened = openGrid(changeBar(grid, 0, { typed: [typed] }), 'grid');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score;
};
const PIANO = '%%score {1 2}\n';

describe('what bars hold', () => {
  it('hands: those that play in these bars, of a part of two staves', () => {
    const both = `${PIANO}V:1\nc8|c8|\nV:2 clef=bass\nz8|C8|`;
    expect(content(both).hands).toEqual(['right', 'left']);
    expect(content(both, 0, 0).hands).toEqual(['right']);
    expect(content('c8|').hands).toEqual([]);
  });
  it('notes: struck ones, a tied note once', () => {
    expect(content('V:1\nc4 c4|\nV:2\nC8|').notes).toBe(3);
    expect(content('c8-|c8|').notes).toBe(1);
    expect(content('z8|z8|').notes).toBe(0);
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
  describe('corners, with difficulties given by hand', () => {
    const bars = score('c8|'.repeat(18));
    const corners = (scores: readonly number[], from: number, to: number, reason = 'a leap') =>
      sectionContent(
        pieceContent(
          bars,
          scores.map((s, bar) => {
            const reasons = s >= 1 ? [{ kind: 'leap' as const, points: s, text: `${reason} in ${bar}` }] : [];
            const hands = [{ part: 'P1', staff: 1, score: s, reasons, copyOf: null }];
            return { bar, score: s, reasons, hands, copyOf: null };
          }),
        ),
        from,
        to,
      ).corners;
    it('are those of the piece that lie here, both ends included, two at most, hardest first', () => {
      // One bar in six is a corner at most: three of eighteen.
      const scores = [1, 5, 1, 6, 1, 7, ...Array.from({ length: 12 }, () => 1)];
      expect(corners(scores, 0, 7).map((c) => c.bar)).toEqual([5, 3]);
      expect(corners(scores, 1, 3).map((c) => c.bar)).toEqual([3, 1]);
      expect(corners(scores, 1, 3)[0]?.reason).toBe('a leap in 3');
      expect(corners(scores, 1, 1).map((c) => c.bar)).toEqual([1]);
    });
    it('else the one bar clearly above the middle of these bars, if there is more than one', () => {
      const scores = [1, 1, 1.9, 1, 1.7, 1.7, 1.7, 1.7];
      expect(corners(scores, 0, 3).map((c) => c.bar)).toEqual([2]);
      expect(corners(scores, 1, 2).map((c) => c.bar)).toEqual([]);
      expect(corners(scores, 2, 2)).toEqual([]);
      // Exactly as far above as it takes; a tenth less is not enough.
      expect(corners([1, 1, 1.8, 1, 1, 1, 1, 1], 0, 3).map((c) => c.bar)).toEqual([2]);
      expect(corners([1, 1, 1.7, 1, 1, 1, 1, 1], 0, 3)).toEqual([]);
    });
    it('say so where there is no reason of their own', () =>
      expect(corners([0.1, 0.1, 0.95, 0.1, 0.1, 0.1, 0.1, 0.1], 0, 3)).toEqual([
        { bar: 2, reason: 'more than its neighbours' },
      ]));
  });
  it('reads a run only along one line: not through a chord, a change of way or a leap', () => {
    expect(content('[ce]d ef g4|').scaleRun?.name).toBe('C major');
    expect(content('c[de][eg][fa] g4|').scaleRun?.name).toBe('C major');
    expect(content('cdeg a4|').scaleRun).toBeNull();
    expect(content('cded cdef|').scaleRun).toBeNull();
    expect(content('cBcd efg2|').scaleRun?.name).toBe('C major');
    expect(content('G,A,B,C D4|', 0, 0, 'M:4/4\nL:1/8\nK:G').scaleRun?.name).toBe('G major');
    expect(content('ABcd e4|', 0, 0, 'M:4/4\nL:1/8\nK:Am').scaleRun?.name).toContain('A minor');
  });
  it('does not take notes without a pitch for a line', () =>
    expect(sectionContent(pieceContent(rhythmOnly('n n n n n n n n')), 0, 0).scaleRun).toBeNull());
  it('chord symbols after the last bar are of other bars', () =>
    expect(content('"G"c4 "C"c4|"D"c8|', 0, 0).chordChanges).toEqual(['G to C']));
  it('signs of dynamics end with the section', () => {
    expect(content('c8|!f!c8|', 0, 0).dynamics).toBe(false);
    expect(content('"^dolce"c8|').dynamics).toBe(false);
  });
  it('words: one note that is sung is enough', () => {
    expect(content('c4 d4|\nw: long').words).toBe(true);
    expect(content('c4 d4|').words).toBe(false);
  });
});
