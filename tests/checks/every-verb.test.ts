/** Every verb of the command line on odd pieces: no crash, and a value or a classified refusal. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runVerb, VERBS, type VerbName } from '../../cli/verbs';

const NAMES = (Object.keys(VERBS) as VerbName[]).filter((v) => v !== 'write' && v !== 'schema');
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const doc = (measures: string): string =>
  `<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Piano</part-name></score-part></part-list><part id="P1">${measures}</part></score-partwise>`;
const ODD: Readonly<Record<string, string>> = {
  'one empty bar': doc('<measure number="1"/>'),
  'only rests': doc(
    '<measure number="1"><attributes><divisions>1</divisions></attributes><note><rest measure="yes"/><duration>4</duration></note></measure>',
  ),
  'only drums': doc(
    '<measure number="1"><attributes><divisions>1</divisions></attributes><note><unpitched/><duration>4</duration></note></measure>',
  ),
  'no divisions': doc(
    '<measure number="1"><note><pitch><step>C</step><octave>4</octave></pitch><type>quarter</type></note></measure>',
  ),
  'highest and lowest': doc(
    '<measure number="1"><attributes><divisions>1</divisions></attributes><note><pitch><step>B</step><octave>9</octave></pitch><duration>2</duration></note><note><pitch><step>C</step><octave>0</octave></pitch><duration>2</duration></note></measure>',
  ),
  'ten notes at once': doc(
    `<measure number="1"><attributes><divisions>1</divisions></attributes>${['C', 'D', 'E', 'F', 'G', 'A', 'B'].map((s, i) => `<note>${i > 0 ? '<chord/>' : ''}<pitch><step>${s}</step><octave>4</octave></pitch><duration>4</duration></note>`).join('')}${['C', 'D', 'E'].map((s) => `<note><chord/><pitch><step>${s}</step><octave>5</octave></pitch><duration>4</duration></note>`).join('')}</measure>`,
  ),
  'grace notes alone': doc(
    '<measure number="1"><attributes><divisions>1</divisions></attributes><note><grace/><pitch><step>C</step><octave>4</octave></pitch></note></measure>',
  ),
  'a bar without meter': doc(
    '<measure number="1"><attributes><divisions>1</divisions><time><senza-misura/></time></attributes><note><pitch><step>C</step><octave>4</octave></pitch><duration>7</duration></note></measure>',
  ),
};

describe.each(NAMES)('oak %s', (verb) => {
  it.each(Object.entries(ODD))('%s', async (_, text) => {
    const result = await runVerb(verb, bytes(text), 'odd.musicxml', {});
    expect(result.ok || result.issue.code !== '').toBe(true);
    expect(() => JSON.stringify(result)).not.toThrow();
    expect(JSON.stringify(result)).not.toMatch(/:(NaN|Infinity)|null,"finger"/);
  });
});

it('survives any small tune, on any instrument', async () => {
  const symbol = fc.constantFrom(
    'C',
    'E2',
    'G/',
    '[CEG]',
    'z',
    '^F',
    '_b',
    "c'",
    'C,,',
    '(3DEF',
    '{d}c',
    'TA',
    '|',
    '||',
    ':|',
    '|:',
    '-',
    '(AB)',
    '!p!',
    '[M:6/8]',
    '[K:Eb]',
  );
  const instrument = fc.constantFrom(
    'piano',
    'violin',
    'cello',
    'bass',
    'guitar',
    'banjo',
    'trumpet',
    'horn',
    'flute',
    'clarinet',
    'recorder',
    'bassoon',
  );
  await fc.assert(
    fc.asyncProperty(
      fc.array(symbol, { minLength: 1, maxLength: 20 }),
      instrument,
      fc.constantFrom(...NAMES),
      async (music, name, verb) => {
        const result = await runVerb(
          verb,
          bytes(`X:1\nM:4/4\nL:1/4\nK:C\nC ${music.join(' ')} |`),
          'tune.abc',
          verb === 'finger' ? { instrument: name } : {},
        );
        expect(result.ok || result.issue.code !== '').toBe(true);
      },
    ),
    { numRuns: 400 },
  );
});
