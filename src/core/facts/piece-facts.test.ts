import { describe, expect, it } from 'vitest';
import { openAbc } from '../studio';
import { scaleNotes, patternsFor } from './patterns';
import { pieceFacts } from './piece-facts';

const facts = (abc: string, names?: 'british') => {
  const opened = openAbc(abc, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return pieceFacts(opened.value.read.score, 'piano', names);
};

describe('facts on the page', () => {
  const list = facts('X:1\nM:3/4\nL:1/8\nQ:1/4=120\nK:G\n|: D2 G2 ^G2 | .A2 (Bc) d2 :| TG6 | D4 z2 |]');
  const value = (name: string) => list.find((f) => f.name === name);
  it('say key, meter, tempo and length with and without repeats', () => {
    expect(value('Key')?.value).toBe('G major');
    // 4 bars of 3 quarters at 120 are 6 s, with the repeat 9 s.
    expect(value('Length')?.value).toBe('4 bars, 0:06; 0:09 with repeats');
  });
  it.each([
    ['trill', 2],
    ['staccato', 1],
    ['slur', 1],
    ['accidental outside the key', 0],
    ['repeat sign', 0],
  ])('show where %s is first met', (name, bar) => expect(value(name)?.bar).toBe(bar));
  it('name note values in both languages', () => {
    expect(value('quarter rest')?.bar).toBe(3);
    expect(
      facts('X:1\nM:4/4\nL:1/4\nK:C\nC3/2D/E2|', 'british')
        .filter((f) => f.group === 'rhythms')
        .map((f) => f.name),
    ).toEqual(['dotted crotchet', 'quaver', 'minim']);
  });
});

describe('patterns to own', () => {
  // Handbook chapter 2: tonic, dominant and relative [common practice]; spellings from any table of scales.
  it('are the scales of tonic, dominant and relative minor, and their chords', () =>
    expect(patternsFor({ fifths: 1, mode: 'major' }).map((p) => `${p.name}: ${p.notes.join(' ')}`)).toEqual([
      'G major: G A B C D E F♯',
      'D major: D E F♯ G A B C♯',
      'E minor: E F♯ G A B C D♯',
      'G major: G B D',
      'D7: D F♯ A C',
      'E minor: E G B',
    ]));
  it.each([
    ['E♭', 'major', 'E♭ F G A♭ B♭ C D'],
    ['C♯', 'minor', 'C♯ D♯ E F♯ G♯ A B♯'],
    ['G♯', 'minor', 'G♯ A♯ B C♯ D♯ E F𝄪'],
    ['C♭', 'major', 'C♭ D♭ E♭ F♭ G♭ A♭ B♭'],
  ] as const)('%s %s is %s', (tonic, mode, notes) => expect(scaleNotes(tonic, mode).join(' ')).toBe(notes));
});
