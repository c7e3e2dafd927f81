import { describe, expect, it } from 'vitest';
import { readScore } from '../musicxml';
import { countStaff, countText } from './count-staff';
import { scoreOfAbc } from '../studio/abc-for-tests';

function count(meter: string, music: string): string[] {
  const score = scoreOfAbc(`X:1\nM:${meter}\nL:1/8\nK:C\n${music}`);
  return countStaff(score, score.parts[0]?.id ?? '', 1, 0, score.bars.length - 1).map((bar) => countText(bar.tokens));
}

// The first two are the handbook's check values; all are common practice.
describe('meter counting', () => {
  it.each([
    ['4/4', 'c3 c-c2 c2', '1 (2) & (3) 4'],
    ['4/4', 'c2 z c c z c2', '1 (2) & 3 (&) 4'],
    ['4/4', 'c2 z c z c c2', '1 (2) & (3) & 4'],
    ['4/4', 'c8', '1 (2) (3) (4)'],
    ['4/4', 'z4 c2 c2', '(1) (2) 3 4'],
    ['4/4', 'c/c/c/c/ cc c2 c2', '1 e & a 2 & 3 4'],
    ['2/4', '(3ccc c2', '1 la li 2'],
    ['6/8', 'ccc c2c', '1 la li 2 li'],
    ['6/8', 'c6', '1 (2)'],
    ['3/4', 'c3 c c2', '1 (2) & 3'],
    ['5/8', 'ccc cc', '1 la li 2 &'],
  ])('%s %s is %s', (meter, music, expected) => expect(count(meter, music)).toEqual([expected]));
  it('counts a pick-up as the end of a bar', () => expect(count('4/4', 'c2 | c8 |')).toEqual(['4', '1 (2) (3) (4)']));
  it('releases a tie over the bar line in brackets', () =>
    expect(count('3/4', 'c4 c2- | c4 c2 |')[1]).toBe('(1) (2) 3'));
});

describe('uneven bars', () => {
  const counted = (meter: string, music: string, way: Parameters<typeof countStaff>[5] = {}): readonly string[] => {
    const score = scoreOfAbc(`X:1\nM:${meter}\nL:1/8\nK:C\n${music}`);
    return countStaff(score, 'P1', 1, 0, score.bars.length - 1, way).map((bar) => countText(bar.tokens));
  };
  // Where beams join notes, there is a beat (common practice).
  it.each([
    ['5/8', 'cc ccc | ccc cc |', ['1 & 2 la li', '1 la li 2 &']],
    ['7/8', 'cc cc ccc | cc ccc cc | ccc cc cc |', ['1 & 2 & 3 la li', '1 & 2 la li 3 &', '1 la li 2 & 3 &']],
    // Two beats under one beam.
    ['7/8', 'cccc ccc | ccc cccc |', ['1 & 2 & 3 la li', '1 la li 2 & 3 &']],
    ['8/8', 'ccc ccc cc |', ['1 la li 2 la li 3 &']],
    ['10/8', 'ccc cc ccc cc |', ['1 la li 2 & 3 la li 4 &']],
  ])('%s: beams say the beats of %s', (meter, music, expected) => expect(counted(meter, music)).toEqual(expected));
  it('of an even bar only where they are uneven themselves', () =>
    expect(counted('8/8', 'cccc cccc |')).toEqual(['1 2 3 4 5 6 7 8']));
  it('else accents, else long notes', () => {
    expect(counted('5/8', 'c c !accent!c c c | c c c c c |')).toEqual(['1 & 2 la li', '1 & 2 la li']);
    expect(counted('5/8', 'c2 c3 | c c c c c |')).toEqual(['1 2', '1 & 2 la li']);
    expect(counted('7/8', 'c4 c c c | c c c c4 |')).toEqual(['1 (2) 3 la li', '1 la li 2 (3)']);
  });
  it('else the teacher', () => {
    expect(counted('5/8', 'c c c c c |')).toEqual(['1 la li 2 &']);
    expect(counted('5/8', 'c c c c c |', { uneven: 'short' })).toEqual(['1 & 2 la li']);
    // What the piece says goes before what the teacher usually does, and what is printed before both.
    expect(counted('5/8', 'ccc cc |', { uneven: 'short' })).toEqual(['1 la li 2 &']);
    expect(counted('3+2/8', 'cc ccc |', { uneven: 'short' })).toEqual(['1 la li 2 &']);
  });
  it('beams of a MusicXML file say it, too', () => {
    const note = (beam: string): string =>
      `<note><pitch><step>C</step><octave>5</octave></pitch><duration>1</duration><voice>1</voice><type>eighth</type><beam number="1">${beam}</beam></note>`;
    const bar = (n: number, beams: readonly string[]): string =>
      `<measure number="${n}">${n === 1 ? '<attributes><divisions>2</divisions><time><beats>5</beats><beat-type>8</beat-type></time></attributes>' : ''}${beams.map(note).join('')}</measure>`;
    const read = readScore(
      `<score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Flute</part-name></score-part></part-list><part id="P1">${bar(1, ['begin', 'end', 'begin', 'continue', 'end'])}${bar(2, ['begin', 'continue', 'end', 'begin', 'end'])}</part></score-partwise>`,
      'five.musicxml',
    );
    if (!read.ok) throw new Error(read.issue.message);
    expect(countStaff(read.value.score, 'P1', 1, 0, 1).map((b) => countText(b.tokens))).toEqual([
      '1 & 2 la li',
      '1 la li 2 &',
    ]);
  });
});

describe('compound time', () => {
  const counted = (meter: string, music: string, way: Parameters<typeof countStaff>[5]): string => {
    const score = scoreOfAbc(`X:1\nM:${meter}\nL:1/8\nK:C\n${music}`);
    return countStaff(score, 'P1', 1, 0, score.bars.length - 1, way)
      .map((bar) => countText(bar.tokens))
      .join(' | ');
  };
  // Handbook chapter 5: "compound 1 la li 2 la li or 1–6" [common practice].
  it.each([
    ['6/8', 'ccc c2c | c3 c3 |', 'eighths', '1 2 3 4 (5) 6 | 1 (2) (3) 4 (5) (6)'],
    ['6/8', 'ccc c2c |', 'three', '1 la li 2 li'],
    ['9/8', 'ccc ccc c3 |', 'eighths', '1 2 3 4 5 6 7 (8) (9)'],
    ['3/8', 'c/c/cc | c3 |', 'three', '1 & 2 3 | 1 (2) (3)'],
    ['3/8', 'c/c/cc |', 'beats', '1 ta la li'],
    ['3/4', 'c2c2c2 |', 'eighths', '1 2 3'],
  ] as const)('%s: %s by %s is %s', (meter, music, compound, expected) =>
    expect(counted(meter, music, { compound })).toBe(expected),
  );
});

describe('two voices on a staff', () => {
  const score = scoreOfAbc(
    'X:1\nM:3/4\nL:1/4\n%%score (1 2)\nV:1\nV:2\nK:C\nV:1\nc d e | c3 | c d e |\nV:2\nC3 | z D2 | C D E |\n',
  );
  it('are counted apart where their rhythms differ, each with its own rests', () =>
    expect(countStaff(score, 'P1', 1, 0, 2).map((b) => `${b.bar} ${b.voice ?? 'all'}: ${countText(b.tokens)}`)).toEqual(
      ['0 1: 1 2 3', '0 2: 1 (2) (3)', '1 1: 1 (2) (3)', '1 2: (1) 2 (3)', '2 all: 1 2 3'],
    ));
  it('are one rhythm where that is asked', () =>
    expect(countStaff(score, 'P1', 1, 0, 1, { voices: 'together' }).map((b) => countText(b.tokens))).toEqual([
      '1 2 3',
      '1 2 (3)',
    ]));
});
