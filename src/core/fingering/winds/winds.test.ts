import { describe, expect, it } from 'vitest';
import { openAbc } from '../../studio';
import { INSTRUMENTS, instrumentOf, INSTRUMENT_IDS, type InstrumentId, type WindKeys } from '../../instruments';
import { fingerScore } from '../index';

const wind = (id: InstrumentId): WindKeys => {
  const { fingers } = instrumentOf(id);
  if (fingers?.kind !== 'wind') throw new Error(`${id} has no keys`);
  return fingers;
};
const WINDS = INSTRUMENT_IDS.filter((id) => INSTRUMENTS[id].fingers?.kind === 'wind').map(wind);

const keys = (instrument: InstrumentId, music: string, key = 'C', tempo = 90): string[] => {
  const opened = openAbc(`X:1\nM:none\nL:1/4\nQ:1/4=${tempo}\nK:${key}\n${music} |`, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return fingerScore(opened.value.read.score, { instrument }).notes.map((n) => n.keys ?? '');
};

describe('brass from the harmonic series', () => {
  // The chart printed in any trumpet method (J.-B. Arban, "Grande méthode complète", 1864): chromatic from low F sharp
  // to high C.
  it('gives the trumpet chart', () =>
    expect(
      keys('trumpet', "^F, G, ^G, A, _B, =B, C ^C D _E =E F ^F G ^G A _B =B c ^c d _e =e f ^f g ^g a _b =b c'").join(
        ' ',
      ),
    ).toBe('123 13 23 12 1 2 0 123 13 23 12 1 2 0 23 12 1 2 0 12 1 2 0 1 2 0 23 12 1 2 0'));
  // The slide positions of any trombone method: B flat major from the second partial up.
  it('gives the trombone positions', () =>
    expect(keys('trombone', '_B,, C, D, _E, F, G, A, _B,', 'C').join(' ')).toBe('1 6 4 3 1 4 2 1'));
  it('offers alternates after the main fingering', () => {
    expect(
      wind('trumpet')
        .chart.notes.get(69)
        ?.map((w) => w.keys),
    ).toEqual(['12', '3']);
    expect(wind('horn').chart.notes.get(72)?.[0]?.keys).toMatch(/^T/);
  });
  // Common practice of double-horn charts: the B flat side from written A flat, never its flat fifth partial there; E
  // in the middle stays open on the F side.
  it('gives the double horn its charts’ choice where the fifth partial is flat', () =>
    expect(keys('horn', 'C E G _A =A _B =B c', 'C')).toEqual(['0', '0', '0', 'T23', 'T12', 'T1', 'T2', 'T0']));
});

describe('woodwinds', () => {
  it('gives the recorder its G major scale in baroque and German fingering', () => {
    expect(keys('recorder', 'c d e f g')).toEqual(['0123|4567', '0123|456', '0123|45', '0123|467', '0123']);
    expect(keys('recorder-german', 'c d e f g')[3]).toBe('0123|4');
  });
  it('moves the alto recorder’s chart a fifth down', () =>
    expect(wind('alto-recorder').chart.notes.get(65)?.[0]?.keys).toBe(wind('recorder').chart.notes.get(72)?.[0]?.keys));
  it('covers each chart without a gap', () => {
    for (const { chart } of WINDS) {
      const notes = [...chart.notes.keys()].sort((a, b) => a - b);
      const low = notes[0] ?? 0;
      // Below the second partial's reach brass has pedal gaps; from an octave up nothing is missing.
      const from = notes.find((k) => k >= low + 6) ?? low;
      for (let k = from; k <= Math.min(from + 18, notes[notes.length - 1] ?? 0); k += 1)
        expect(chart.notes.has(k), `${chart.name} ${k}`).toBe(true);
    }
  });
  it('lets the clarinet’s little fingers take turns instead of sliding', () => {
    // Low E, F, F sharp: handbook chapter 4, never one little finger from key to key when the other hand has the same
    // note [common practice].
    const way = keys('clarinet', 'E, F, E, ^F,', 'C', 120);
    const side = (k: string): string => (k.endsWith('left') ? 'left' : 'right');
    way.forEach((k, i) => {
      const before = way[i - 1];
      if (before !== undefined) expect(side(k), way.join(' / ')).not.toBe(side(before));
    });
  });
  it('takes the side key for a long, loud B flat in the throat of the clarinet, and the handy one else', () => {
    const flat = (music: string): string | undefined => keys('clarinet', music, 'C', 60)[1];
    expect(flat('A _B4')).toBe('A R');
    expect(flat('!f!A _B4')).toBe('A sideB♭');
    expect(flat('!f!A _B/')).toBe('A R');
  });
  // Still missing: the bassoon above F of the tenor clef, and the two highest notes of the recorders.
  const KNOWN_TO: Readonly<Partial<Record<InstrumentId, number>>> = {
    bassoon: 65,
    recorder: 96,
    'recorder-german': 96,
    'alto-recorder': 89,
    'alto-recorder-german': 89,
  };
  it('lists every written note from the bottom of each instrument’s range to its top', () => {
    for (const id of INSTRUMENT_IDS) {
      const { fingers, range, transposition } = instrumentOf(id);
      if (fingers?.kind !== 'wind' || !range) continue;
      const by = fingers.counts === 'written' ? transposition : 0;
      for (let k = range[0] - by; k <= (KNOWN_TO[id] ?? range[1] - by); k += 1)
        expect(fingers.chart.notes.has(k), `${id}, written ${k}`).toBe(true);
    }
    // The bass clarinet goes down to E flat, the long one to C.
    expect([...wind('bass-clarinet').chart.notes.keys()].sort((a, b) => a - b)[0]).toBe(48);
  });
  it('trills with the pair that moves the fewest keys', () => {
    const opened = openAbc('X:1\nM:4/4\nL:1/1\nK:C\n!trill!G |', 'x.abc');
    if (!opened.ok) throw new Error('no');
    // G to A on the flute: one finger, the third of the left hand.
    expect(fingerScore(opened.value.read.score, { instrument: 'flute' }).notes[0]?.why).toBe(
      'trill: T 123 E♭ right ↔ T 12 E♭ right',
    );
  });
  it('says what lies outside the instrument', () => {
    const opened = openAbc('X:1\nM:4/4\nL:1/4\nK:C\nC,, c |', 'x.abc');
    if (!opened.ok) throw new Error('no');
    expect(fingerScore(opened.value.read.score, { instrument: 'flute' }).warnings).toMatchObject([
      { code: 'out-of-range', bar: 0 },
    ]);
  });
});
