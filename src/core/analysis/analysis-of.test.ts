import { describe, expect, it } from 'vitest';
import { barDifficulties, cornersOf } from '../difficulty';
import { fingerScore, fingeringTroubles } from '../fingering';
import { findHarmony } from '../harmony';
import { findSameness, payOff, rhythmFamilies } from '../sameness';
import { phraseEnds, proposeSections } from '../sections';
import { usualPlayer } from '../players';
import { analysisOf } from './analysis-of';
import { scoreOfAbc } from '../studio/abc-for-tests';

const read = (music: string, head = '') => scoreOfAbc(`X:1\nM:4/4\nL:1/4\n${head}K:C\n${music}`);
const TUNE = 'C D E F | G A B c | c B A G | C4 | C D E F | G A B c | c B A F | G4 |]';
const TWO = '[V:1] z4 | z4 |]\n[V:2] C D E F | G4 |]';

describe('the analysis of a piece', () => {
  const score = read(TUNE);
  it('is what the rooms compute, each by itself', () => {
    const a = analysisOf(score);
    expect(a.sameness).toEqual(findSameness(score));
    expect(a.sections).toEqual(proposeSections(score));
    expect(a.phraseEnds).toEqual(phraseEnds(score, a.sections));
    expect(a.harmony).toEqual(findHarmony(score, a.phraseEnds));
    expect(a.families).toEqual(rhythmFamilies(score));
    expect(a.payOff).toEqual(payOff(score));
    expect(a.difficulties).toEqual(
      barDifficulties(score, {
        keyboard: true,
        troubles: fingeringTroubles(score, fingerScore(score, { instrument: 'piano' }), 'piano'),
      }),
    );
    expect(a.corners).toEqual(cornersOf(a.difficulties));
  });
  it('is made once a version and player, and anew for another version', () => {
    expect(analysisOf(score)).toBe(analysisOf(score));
    expect(analysisOf(score).sections).toBe(analysisOf(score).sections);
    expect(analysisOf(score, { parts: ['P1'], instrument: 'violin' })).not.toBe(analysisOf(score));
    expect(analysisOf({ ...score })).not.toBe(analysisOf(score));
  });
  it('knows a keyboard from another instrument', () => {
    const wide = read('[C,CGc] [D,DAd] [E,EBe] [F,Fcf] |]');
    const keys = analysisOf(wide, { parts: ['P1'], instrument: 'piano' }).difficulties;
    const voice = analysisOf(wide, { parts: ['P1'], instrument: 'voice' }).difficulties;
    expect(keys).not.toEqual(voice);
  });
});

describe('who plays', () => {
  const two = read(TWO, 'V:1 name="Flute"\nV:2 name="Oboe"\n');
  it('is usually the first part that has notes', () => {
    expect(usualPlayer(two).parts).toEqual(['P2']);
    expect(usualPlayer(two, 'oboe')).toEqual({ parts: ['P2'], instrument: 'oboe' });
    expect(analysisOf(two).played.parts.map((p) => p.name)).toEqual(['Oboe']);
  });
  it('may be several parts, in the order of the score; parts that are gone leave the first', () => {
    expect(analysisOf(two, { parts: ['P2', 'P1'] }).played.parts.map((p) => p.id)).toEqual(['P1', 'P2']);
    expect(analysisOf(two, { parts: ['P9'] }).played.parts.map((p) => p.id)).toEqual(['P1']);
  });
});
