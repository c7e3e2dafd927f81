import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sayIn, WRITTEN_WORDS, type Words } from '.';

const MEASURE: Words = { bar: 'measure', notes: 'american' };
const BRITISH: Words = { bar: 'bar', notes: 'british' };

describe('bar or measure', () => {
  it.each([
    ['bars 3–4 of 12', 'measures 3–4 of 12'],
    ['Bar 3, beat 2', 'Measure 3, beat 2'],
    ['Bars of the page', 'Measures of the page'],
    ['Bars', 'Measures'],
    ['a two-bar breath, bar by bar', 'a two-measure breath, measure by measure'],
    ['count 4 bars’ rest', 'count 4 measures’ rest'],
    // Everybody says these with the same word.
    ['a double bar, then a bar line', 'a double bar, then a bar line'],
    ['bar lines and barlines, a barre', 'bar lines and barlines, a barre'],
    // A name with the word in it is no sentence of ours.
    ['The Bar Room Rag', 'The Bar Room Rag'],
  ])('says %s', (written, said) => expect(sayIn(MEASURE, written)).toBe(said));
});

// Source: the two sets of names as any dictionary of music has them (common practice).
describe('quarter or crotchet', () => {
  it.each([
    ['quarter, eighth', 'crotchet, quaver'],
    ['only 2 of its 3 quarters are written', 'only 2 of its 3 crotchets are written'],
    ['60 dotted quarters a minute', '60 dotted crotchets a minute'],
    ['an eighth earlier', 'a quaver earlier'],
    ['by eighths, 1 to 6', 'by quavers, 1 to 6'],
    ['a half note and two sixteenths', 'a minim and two semiquavers'],
    ['a dotted half', 'a dotted minim'],
    ['a whole note', 'a semibreve'],
    // The eighth place of the hand, half of a piece and the whole of it are no notes.
    ['eighth position', 'eighth position'],
    ['a quarter of the piece', 'a quarter of the piece'],
    ['half the tempo, then the whole', 'half the tempo, then the whole'],
  ])('says %s', (written, said) => expect(sayIn(BRITISH, written)).toBe(said));
});

describe('in any words', () => {
  const sentences = fc
    .array(fc.constantFrom('bar', 'bars', 'Bars 2', 'an eighth', 'quarters', 'half', 'notes', 'line', '3', ',', 'the'))
    .map((words) => words.join(' '));
  const someWords = fc.record<Words>({
    bar: fc.constantFrom('bar', 'measure'),
    notes: fc.constantFrom('american', 'british'),
  });
  it('said twice is said once', () => {
    fc.assert(
      fc.property(sentences, someWords, (sentence, words) => {
        const once = sayIn(words, sentence);
        expect(sayIn(words, once)).toBe(once);
      }),
    );
  });
  it('is left as it is written where nothing else is chosen', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(sayIn(WRITTEN_WORDS, text)).toBe(text);
      }),
    );
  });
});
