import { describe, expect, it } from 'vitest';
import type { InstrumentId } from '../instruments';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { fingerScore } from './finger-score';
import { fingeringTroubles } from './troubles';

/** Trouble by bar: `2 shift 1`. */
function troublesOf(instrument: InstrumentId, music: string, key = 'C'): readonly string[] {
  const score = scoreOfAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=90\nK:${key}\n${music} |`);
  return fingeringTroubles(score, fingerScore(score, { instrument }), instrument).map(
    (t) => `${t.bar} ${t.kind} ${t.amount}`,
  );
}

// What a teacher of the instrument would count (common practice).
describe('what a fingering makes hard', () => {
  it('a tune in first position has no shift', () =>
    expect(troublesOf('violin', 'D E F G | A B c d | d c B A | G F E D', 'D').join()).not.toContain('shift'));
  it('a scale past it has one, in the bar in which the hand goes up; in third position it can come down again', () =>
    expect(troublesOf('violin', "e f g a | b c' d' c' | b a g f").filter((t) => t.includes('shift'))).toEqual([
      '0 shift 1',
    ]));
  it('an octave on the piano passes the thumb once', () =>
    expect(troublesOf('piano', 'C D E F | G A B c')).toEqual(['0 thumb 1']));
  it('the slide goes from first to sixth position and back', () =>
    expect(troublesOf('trombone', 'B,, C, B,, C,', 'Bb')).toEqual(['0 arm 15']));
  it('the clarinet goes over the break and back', () =>
    expect(troublesOf('clarinet', 'A B A B')).toEqual(['0 break 3']));
  it('chords by symbol that change inside a bar are quick for the hand that strums, and for no other', () => {
    const song = '"C"c c c c | "F"f "G"g "C"c c | "Am"a a "Dm"d d';
    expect(troublesOf('ukulele', song).filter((t) => t.includes('quick'))).toEqual([
      '1 quickChange 2',
      '2 quickChange 1',
    ]);
    expect(troublesOf('flute', song).join()).not.toContain('quick');
  });
  it('what has no fingers has no trouble', () => expect(troublesOf('voice', 'C D E F')).toEqual([]));
});
