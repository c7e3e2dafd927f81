import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { add, compare, fraction } from '../score';
import { openAbc } from '../studio';
import type { OrnamentStyle } from './ornament';
import { realiseOrnaments } from './realise';

const realise = (music: string, style: OrnamentStyle, tempo = 60, key = 'C') => {
  const opened = openAbc(`X:1\nM:4/4\nL:1/4\nK:${key}\n${music} |`, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return realiseOrnaments(opened.value.read.score, style, tempo);
};
const keys = (...args: Parameters<typeof realise>): number[] => realise(...args)[0]?.notes.map((n) => n.midi) ?? [];
const lengths = (...args: Parameters<typeof realise>): string[] =>
  realise(...args)[0]?.notes.map((n) => `${n.duration.n}/${n.duration.d}`) ?? [];

// J. S. Bach, "Explication" in the Clavier-Büchlein vor Wilhelm Friedemann Bach (1720); written on c'' there (72 here).
describe('the table of 1720', () => {
  it('trillo: from the upper note, in turn, ending on the main note', () =>
    expect(keys('Tc z3', 'early')).toEqual([74, 72, 74, 72, 74, 72, 74, 72]));
  it('mordant: main, the note below, main held', () => {
    expect(keys('Mc z3', 'early')).toEqual([72, 71, 72]);
    expect(lengths('Mc z3', 'early')).toEqual(['1/8', '1/8', '3/4']);
  });
  it('trillo und mordant: the trill closes with the note below', () =>
    expect(keys('Tc2 d2', 'early', 60).slice(-4)).toEqual([74, 72, 71, 72]));
  it('cadence (turn): from above, four even notes', () => {
    expect(keys('!turn!c z3', 'early')).toEqual([74, 72, 71, 72]);
    expect(lengths('!turn!c z3', 'early')).toEqual(['1/4', '1/4', '1/4', '1/4']);
  });
  it('accent (appoggiatura): half of the note', () => expect(lengths('{d}c2 z2', 'early')).toEqual(['1/1', '1/1']));
});

// C. P. E. Bach, Versuch (1753), chapter 2, section 2: two thirds of a dotted note.
it('an appoggiatura before a dotted note takes two thirds', () =>
  expect(lengths('{d}c3 z', 'early')).toEqual(['2/1', '1/1']));

// Handbook chapter 7 [common practice].
it('an appoggiatura before an eighth and two sixteenths makes four equal sixteenths', () => {
  const [a] = realise('{d}c/ B/4A/4 z3', 'early');
  expect(a?.notes.map((n) => `${n.duration.n}/${n.duration.d}`)).toEqual(['1/4', '1/4']);
});

describe('styles', () => {
  it('the late trill begins on the main note', () => expect(keys('Tc2 z2', 'late', 60)[0]).toBe(72));
  it('a trill just after its upper note begins on the main one', () =>
    expect(realise('d Tc z2', 'early')[0]?.notes[0]?.midi).toBe(72));
  it('measured is even thirty-seconds that keep the beat', () =>
    expect(lengths('Tc z3', 'measured')).toEqual(Array.from({ length: 8 }, () => '1/8')));
  it('takes the sharp of the key for the upper note', () => expect(keys('Te z3', 'early', 60, 'G')[0]).toBe(78));
  it('a short grace note lies before the beat in late style and on it in early style', () => {
    const onset = (style: OrnamentStyle) => realise('z {/d}c z2', style)[0]?.notes.map((n) => n.onset.n / n.onset.d);
    expect(onset('late')?.[1]).toBe(1);
    expect(onset('early')?.[0]).toBe(1);
  });
  it('the mordent of the upper note', () => expect(keys('Pc z3', 'late')).toEqual([72, 74, 72]));
  it('says when it is too fast for the tempo', () => {
    expect(realise('Tc z3', 'measured', 60)[0]?.tooFast).toBe(false);
    expect(realise('Tc z3', 'measured', 132)[0]?.tooFast).toBe(true);
  });
  it('slows the quick notes down instead, where the style allows', () =>
    expect(realise('Tc z3', 'early', 132)[0]?.tooFast).toBe(false));
});

it('every ornament fills its note exactly, one note after another', () => {
  const ornament = fc.constantFrom('T', 'M', 'P', '!turn!', '!invertedturn!', '!slide!', '{d}', '{de}');
  const length = fc.constantFrom('', '2', '3', '/', '3/2');
  fc.assert(
    fc.property(
      ornament,
      length,
      fc.constantFrom<OrnamentStyle>('early', 'late', 'measured'),
      fc.integer({ min: 40, max: 160 }),
      (o, l, style, tempo) => {
        const [made] = realise(`${o}c${l} e`, style, tempo);
        if (!made) throw new Error('no ornament');
        made.notes.forEach((n, i) => {
          expect(n.duration.n).toBeGreaterThan(0);
          const next = made.notes[i + 1];
          if (next) expect(compare(add(n.onset, n.duration), next.onset)).toBe(0);
        });
        const last = made.notes[made.notes.length - 1];
        const written = {
          '': fraction(1),
          '2': fraction(2),
          '3': fraction(3),
          '/': fraction(1, 2),
          '3/2': fraction(3, 2),
        }[l];
        expect(last && written && compare(add(last.onset, last.duration), written)).toBe(0);
      },
    ),
    { numRuns: 150 },
  );
});
