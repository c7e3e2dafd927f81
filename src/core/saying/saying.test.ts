import { describe, expect, it } from 'vitest';
import { PLAIN_PLAN, timedMusic } from '../performance';
import type { Score } from '../score';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { saidInTime, saidTexts, type SaidSources, type Saying } from '.';

const song = scoreOfAbc(
  'X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:G\n!3!G A2 B-|B c2 F|]\nw: Sum-mer rain * fall-ing\nw: Win-ter snow * deep now',
);
const sources = (score: Score, more: Partial<SaidSources> = {}): SaidSources => ({
  notes: score.notes,
  fingers: new Map(),
  counts: new Map(),
  ownWords: new Map(),
  verse: '1',
  ...more,
});
const said = (saying: Saying, more: Partial<SaidSources> = {}): string[] =>
  saidInTime(timedMusic(song, { ...PLAIN_PLAN, to: 1, tempo: 60 }), saidTexts(saying, sources(song, more))).map(
    (s) => `${s.at} ${s.text}`,
  );

describe('what is said on each note', () => {
  it('letters with the signs of the key; a tied note is not said again', () => {
    expect(said('letters')).toEqual(['0 G', '1 A', '3 B', '5 C', '7 F♯']);
  });
  it('the words of a verse, split where they are sung apart', () => {
    expect(said('words').map((s) => s.split(' ')[1])).toEqual(['Sum-', 'mer', 'rain', 'fall-', 'ing']);
    expect(said('words', { verse: '2' })[0]).toBe('0 Win-');
  });
  it('own words before those of the song', () => {
    const [first] = song.notes;
    expect(said('words', { ownWords: new Map([[first?.id ?? '', 'Hop']]) })[0]).toBe('0 Hop');
  });
  it('the finger that the student sees, else the printed one', () => {
    expect(said('fingers')).toEqual(['0 3']);
    expect(said('fingers', { fingers: new Map([[song.notes[1]?.id ?? '', '4']]) })).toEqual(['0 3', '1 4']);
  });
  it('what is struck together in one breath, a repeat again', () => {
    const chords = scoreOfAbc('X:1\nM:2/4\nL:1/4\nK:C\n|:[CE]G:|]');
    const music = timedMusic(chords, { ...PLAIN_PLAN, tempo: 60, repeats: true });
    expect(saidInTime(music, saidTexts('letters', sources(chords))).map((s) => [s.at, s.text, s.turn])).toEqual([
      [0, 'C E', 0],
      [1, 'G', 0],
      [2, 'C E', 1],
      [3, 'G', 1],
    ]);
  });
});
