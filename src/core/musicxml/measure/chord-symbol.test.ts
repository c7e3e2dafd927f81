// `<harmony>` by the MusicXML 4.0 reference; the tones of chords are common practice.
import { describe, expect, it } from 'vitest';
import { openAbc } from '../../studio';
import { readScore } from '../read-score';
import { CHORD_KINDS } from './chord-kinds';

const read = (harmony: string, before = '') => {
  const text = `<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>A</part-name></score-part></part-list><part id="P1"><measure number="1"><attributes><divisions>2</divisions></attributes>${before}${harmony}<note><pitch><step>C</step><octave>5</octave></pitch><duration>8</duration></note></measure></part></score-partwise>`;
  const result = readScore(text, 'x.xml');
  if (!result.ok) throw new Error(result.issue.message);
  return result.value.score;
};
const chord = (inside: string) => {
  const [symbol] = read(`<harmony>${inside}</harmony>`).chords;
  return symbol && [symbol.text, symbol.classes];
};
const C = '<root><root-step>C</root-step></root>';
const degree = (value: number, alter: number, type: string, attributes = ''): string =>
  `<degree${attributes}><degree-value>${value}</degree-value><degree-alter>${alter}</degree-alter><degree-type>${type}</degree-type></degree>`;

describe('chord symbols', () => {
  // All kinds of the list `kind-value`.
  it.each([
    ...['major', 'minor', 'augmented', 'diminished', 'dominant', 'major-seventh', 'minor-seventh'],
    ...['diminished-seventh', 'augmented-seventh', 'half-diminished', 'major-minor', 'major-sixth', 'minor-sixth'],
    ...['dominant-ninth', 'major-ninth', 'minor-ninth', 'dominant-11th', 'major-11th', 'minor-11th'],
    ...['dominant-13th', 'major-13th', 'minor-13th', 'suspended-second', 'suspended-fourth', 'Neapolitan'],
    ...['Italian', 'French', 'German', 'pedal', 'power', 'Tristan'],
  ])('%s is known, and has a name of its own', (kind) => {
    const [text, classes] = chord(`${C}<kind>${kind}</kind>`) ?? [];
    expect(classes?.[0]).toBe(0);
    expect(String(text)).toMatch(/^C/);
    const others = Object.entries(CHORD_KINDS).filter(([name]) => name !== kind);
    expect(others.map(([, k]) => k.suffix)).not.toContain(CHORD_KINDS[kind]?.suffix);
  });
  it.each([
    ['major', 'C', [0, 4, 7]],
    ['half-diminished', 'Cm7b5', [0, 3, 6, 10]],
    ['diminished-seventh', 'Cdim7', [0, 3, 6, 9]],
    ['major-minor', 'Cm(maj7)', [0, 3, 7, 11]],
    ['dominant-13th', 'C13', [0, 4, 7, 10, 2, 5, 9]],
    ['suspended-fourth', 'Csus4', [0, 5, 7]],
  ] as const)('%s on C is %s', (kind, text, classes) =>
    expect(chord(`${C}<kind>${kind}</kind>`)).toEqual([text, classes]),
  );
  it('are printed as the file has them, and sound the same', () => {
    expect(chord(`${C}<kind text="-7">minor-seventh</kind>`)).toEqual(['C-7', [0, 3, 7, 10]]);
    expect(chord(`${C}<kind text="sus">suspended-fourth</kind>`)).toEqual(['Csus', [0, 5, 7]]);
    expect(chord(`${C}<kind text="">major-seventh</kind>`)?.[0]).toBe('C');
    expect(chord(`${C}<kind use-symbols="yes">major-seventh</kind>`)).toEqual(['CΔ', [0, 4, 7, 11]]);
  });
  it('keep the text of a kind that nobody knows, without tones', () => {
    expect(chord(`${C}<kind text="quartal">other</kind>`)).toEqual(['Cquartal', null]);
    expect(chord(`${C}<kind>invented</kind>`)).toEqual(['C', null]);
  });
  it('have sharps, flats and a bass', () => {
    expect(
      chord(
        '<root><root-step>B</root-step><root-alter>-1</root-alter></root><kind>dominant</kind><bass><bass-step>F</bass-step><bass-alter>1</bass-alter></bass>',
      ),
    ).toEqual(['Bb7/F#', [10, 2, 5, 8]]);
  });
  it('take degrees added, changed and taken away', () => {
    expect(chord(`${C}<kind>dominant</kind>${degree(9, -1, 'add')}`)).toEqual(['C7b9', [0, 4, 7, 10, 1]]);
    expect(chord(`${C}<kind>major</kind>${degree(9, 0, 'add')}`)).toEqual(['Cadd9', [0, 4, 7, 2]]);
    expect(chord(`${C}<kind>dominant</kind>${degree(5, -1, 'alter')}`)).toEqual(['C7b5', [0, 4, 6, 10]]);
    expect(chord(`${C}<kind>minor</kind>${degree(3, 0, 'subtract')}`)).toEqual(['Cmno3', [0, 7]]);
    expect(chord(`${C}<kind parentheses-degrees="yes">dominant</kind>${degree(5, 1, 'alter')}`)?.[0]).toBe('C7(#5)');
  });
  it('say a degree once: not where the text has it, not where it is not printed', () => {
    expect(chord(`${C}<kind text="7b9">dominant</kind>${degree(9, -1, 'add')}`)).toEqual(['C7b9', [0, 4, 7, 10, 1]]);
    expect(chord(`${C}<kind>dominant</kind>${degree(9, -1, 'add', ' print-object="no"')}`)).toEqual([
      'C7',
      [0, 4, 7, 10, 1],
    ]);
  });
  it('may be a function, a Roman figure, or no chord', () => {
    expect(chord('<function>V</function><kind>dominant</kind>')).toEqual(['V7', null]);
    expect(chord('<numeral><numeral-root>2</numeral-root></numeral><kind>minor</kind>')).toEqual(['IIm', null]);
    expect(chord('<kind>none</kind>')).toEqual(['N.C.', null]);
    expect(chord('<kind text="tacet">none</kind>')).toEqual(['tacet', null]);
  });
  it('stand where their offset puts them', () => {
    const at = (offset: string) => {
      const score = read(`<harmony>${C}<kind>major</kind>${offset}</harmony>`);
      return (score.chords[0]?.onset ?? NaN) / score.ticksPerQuarter;
    };
    expect(at('')).toBe(0);
    expect(at('<offset>4</offset>')).toBe(2);
  });
  // Typed above the notes.
  it.each([
    ['Am7/G', [9, 0, 4, 7]],
    ['F#m', [6, 9, 1]],
    ['Bbmaj9', [10, 2, 5, 9, 0]],
    ['G13', [7, 11, 2, 5, 9, 0, 4]],
    ['C+7', [0, 4, 8, 10]],
    ['D7sus4', null],
  ] as const)('typed as %s come back as typed', (text, classes) => {
    const opened = openAbc(`X:1\nM:4/4\nL:1/4\nK:C\n"${text}"C4|`, 'x.abc');
    expect(opened.ok && opened.value.read.score.chords[0]).toMatchObject({ text, classes });
  });
});
