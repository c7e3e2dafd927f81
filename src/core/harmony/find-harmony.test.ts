import { describe, expect, it } from 'vitest';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { findHarmony } from './find-harmony';

const read = (music: string, key = 'C', meter = '4/4') => scoreOfAbc(`X:1\nM:${meter}\nL:1/4\nK:${key}\n${music}`);
const harmonyOf = (music: string, key?: string, meter?: string) => findHarmony(read(music, key, meter));
const symbols = (music: string, key?: string): string[] =>
  harmonyOf(music, key)
    .beats.map((b) => b.symbol)
    .filter((symbol, i, all) => symbol !== all[i - 1]);

describe('kinds of chords', () => {
  // Spellings of any harmony textbook, each between chords that make it plain.
  it.each([
    ['a dominant seventh', '[CEGc]4 | [G,FBd]4 | [CEGc]4 |]', 'C', 'G7'],
    ['a diminished seventh by its spelling', '[CEGc]4 | [^CEG_B]4 | [DFAd]4 |]', 'C', 'C#dim7'],
    ['the same keys spelled from their bass', '[CEGc]4 | [G,_B,_D_F]4 | [_A,CE_A]4 |]', 'Ab', 'Gdim7'],
    ['an augmented triad', '[CEGc]4 | [CE^Gc]4 | [CFAc]4 |]', 'C', 'C+'],
    ['a half-diminished seventh', '[A,CEA]4 | [B,DFA]4 | [E^GBe]4 | [A,CEA]4 |]', 'Am', 'Bm7b5'],
  ])('%s', (_, music, key, symbol) => expect(symbols(music, key).map((s) => s.replace(/\/.*/, ''))).toContain(symbol));
  it('a Neapolitan and a German sixth have names of their own', () => {
    const { beats } = harmonyOf(
      '[C,EGc]2 [F,A_df]2 | [G,D=Bg]2 [C,EGc]2 | [A,,EAc]2 [A,,Ec^f]2 | [G,,D=Bg]2 [C,EGc]2 |]',
      'Cm',
    );
    expect(beats.map((b) => b.degree)).toEqual(expect.arrayContaining(['N6', 'Ger65']));
    expect(beats.find((b) => b.degree === 'Ger65')?.flags).not.toContain('outside-the-key');
  });
  it('a dominant of a degree is of the key', () => {
    const { beats } = harmonyOf('[CEGc]4 | [D^Fcd]4 | [G,GBd]4 | [CEGc]4 |]');
    expect(beats[4]).toMatchObject({ symbol: 'D7', degree: 'V7/V' });
    expect(beats[4]?.flags).not.toContain('outside-the-key');
  });
});

describe('the leading-note seventh of every minor key', () => {
  // Spelled in thirds from the leading note, as in any harmony textbook.
  const KEYS: readonly (readonly [key: string, tonic: string, seventh: string])[] = [
    ['Am', 'A C E', 'G# B D F'],
    ['Em', 'E G B', 'D# F# A C'],
    ['Bm', 'B D F#', 'A# C# E G'],
    ['F#m', 'F# A C#', 'E# G# B D'],
    ['C#m', 'C# E G#', 'B# D# F# A'],
    ['Dm', 'D F A', 'C# E G Bb'],
    ['Gm', 'G Bb D', 'F# A C Eb'],
    ['Cm', 'C Eb G', 'B D F Ab'],
    ['Fm', 'F Ab C', 'E G Bb Db'],
    ['Bbm', 'Bb Db F', 'A C Eb Gb'],
    ['Ebm', 'Eb Gb Bb', 'D F Ab Cb'],
  ];
  const sign = (name: string): string => (name.endsWith('#') ? '^' : name.endsWith('b') && name.length > 1 ? '_' : '=');
  /** Names as ABC, from the bass up: each above the one before. */
  function stacked(names: readonly string[]): readonly string[] {
    let octave = 3;
    let before = -1;
    return names.map((name) => {
      const step = 'CDEFGAB'.indexOf(name.charAt(0));
      if (step <= before) octave += 1;
      before = step;
      return `${sign(name)}${name.charAt(0)}${[',', '', "'"][octave - 3] ?? ''}`;
    });
  }
  const turned = (names: readonly string[], by: number): readonly string[] => [
    ...names.slice(by),
    ...names.slice(0, by),
  ];
  it.each(KEYS)(
    '%s: named from its root and resolved, in block chords and broken, over each of its notes',
    (key, tonic, seventh) => {
      const home = stacked(tonic.split(' '));
      for (let by = 0; by < 4; by += 1) {
        const tones = stacked(turned(seventh.split(' '), by));
        const block = `[${home.join('')}]4 | [${tones.join('')}]4 | [${home.join('')}]4 |]`;
        const broken = `${[0, 2, 1, 2].map((i) => home[i]).join('')} | ${[0, 2, 1, 3].map((i) => tones[i]).join('')} | ${home[0]}4 |]`;
        for (const music of [block, broken]) {
          const [first] = harmonyOf(music, key).beats.filter((b) => b.bar === 1);
          const last = harmonyOf(music, key).beats.findLast((b) => b.bar === 1);
          expect(first?.symbol.replace(/\/.*/, ''), music).toBe(`${seventh.split(' ')[0]}dim7`);
          expect(last?.flags, music).toContain('resolves');
        }
      }
    },
  );
});

describe('figures', () => {
  it('a broken chord is one chord over its lowest note', () =>
    expect(
      symbols('[V:1] e4 | d4 | c4 |]\n[V:2] C,/G,/E,/G,/ C,/G,/E,/G,/ | B,,/G,/F,/G,/ B,,/G,/F,/G,/ | C,4 |]').slice(
        0,
        2,
      ),
    ).toEqual(['C', 'G7/B']));
  it('the bass of a waltz holds for its bar', () => {
    const waltz = '[V:1] e3 | f3 | e3 |]\n[V:2] C, [E,G,] [E,G,] | G,, [D,F,] [D,F,] | C, [E,G,] [E,G,] |]';
    const { beats } = harmonyOf(waltz, 'C', '3/4');
    expect(beats.map((b) => b.symbol)).toEqual(['C', 'C', 'C', 'G7', 'G7', 'G7', 'C', 'C', 'C']);
  });
  it('a scale over a held chord changes nothing', () =>
    expect(symbols('[V:1] c/d/e/f/ g/f/e/d/ | c4 |]\n[V:2] [C,E,G,]4 | [C,E,G,]4 |]')).toEqual(['C']));
});

describe('what is printed', () => {
  it('stands, and says what sounds where that is another chord', () => {
    const { beats } = harmonyOf('"Am"[CEGc]4 | "F"[F,CFA]4 |]');
    expect(beats[0]).toMatchObject({ symbol: 'Am', printed: true, certainty: 1, heard: 'C' });
    expect(beats[4]).toMatchObject({ symbol: 'F', printed: true, heard: null });
  });
  it('holds until the next symbol', () =>
    expect(harmonyOf('"G"G2 B2 | d4 | "C"c4 |]').beats.map((b) => b.symbol)).toEqual([
      ...Array.from({ length: 8 }, () => 'G'),
      ...Array.from({ length: 4 }, () => 'C'),
    ]));
});

describe('keys', () => {
  it('name a church mode where the file does', () =>
    expect(
      harmonyOf('A2 A A | A D F A | G2 G G | G C E G | A2 A A | A B c d | c A G E | D4 |]', 'Ddor').keys,
    ).toMatchObject([{ tonic: 2, mode: 'dorian' }]));
  it('and where the final does', () =>
    expect(harmonyOf('A2 A A | A D F A | G2 G G | G C E G | A2 A A | A B c d | c A G E | D4 |]').keys).toMatchObject([
      { tonic: 2, mode: 'dorian' },
    ]));
});

describe('cadences', () => {
  const PERIOD = '[C,EGc]2 [F,FAc]2 | [C,EGc]2 [G,DGB]2 | [C,EGc]2 [F,FAc]2 | [G,DFB]2 [C,EGc]2 |]';
  it('stand at the ends of phrases and nowhere else', () => {
    const score = read(PERIOD);
    const end = (bar: number): number => (score.bars[bar]?.onset ?? 0) + (score.bars[bar]?.length ?? 0);
    expect(findHarmony(score, [end(1), end(3)]).cadences).toMatchObject([
      { bar: 1, beat: 3, kind: 'half' },
      { bar: 3, beat: 3, kind: 'authentic', perfect: true },
    ]);
    expect(findHarmony(score).cadences).toEqual([]);
  });
  it.each([
    ['plagal', '[C,EGc]2 [G,DGB]2 | [F,FAc]2 [C,EGc]2 |]'],
    ['deceptive', '[C,EGc]2 [F,FAc]2 | [G,DFB]2 [A,CEA]2 |]'],
  ])('a %s one', (kind, music) => {
    const score = read(music);
    const [, last] = score.bars;
    expect(findHarmony(score, [(last?.onset ?? 0) + (last?.length ?? 0)]).cadences).toMatchObject([{ kind }]);
  });
});

describe('pedals', () => {
  it('are a bass of three bars under changing chords, and that of two only where it is foreign', () => {
    const drone = '[V:1] [eg]4 | [fa]4 | [dfg]4 | [eg]4 |]\n[V:2] [C,,C,]4 | [C,,C,]4 | [C,,C,]4 | [C,,C,]4 |]';
    expect(harmonyOf(drone).pedals).toMatchObject([{ from: 0, to: 3, name: 'C' }]);
    const twoBars = '[V:1] [ceg]4 | [cfa]4 | [Bdg]4 | [ceg]4 |]\n[V:2] C,4 | C,4 | G,,4 | C,4 |]';
    expect(harmonyOf(twoBars).pedals).toEqual([]);
  });
});

describe('sequences', () => {
  const bass = '[V:2] [C,E,G,]4 | [D,F,A,]4 | [E,G,B,]4 | [C,E,G,]4 |]';
  it('are chords that move with their notes', () =>
    expect(harmonyOf(`[V:1] c e g e | d f a f | e g b g | c4 |]\n${bass}`).sequences).toMatchObject([
      { from: 0, to: 2 },
    ]));
  it('are none where the notes go their own way', () =>
    expect(harmonyOf(`[V:1] c e g e | a f d A | B g b e | c4 |]\n${bass}`).sequences).toEqual([]));
});

describe('a tune alone', () => {
  it('says nothing where nothing can be told', () => {
    const { untold, beats } = harmonyOf('C ^C D _E | =E F ^F G | _A =A _B =B | c =B _B =A | _A G ^F F |]');
    expect(untold).toBe(true);
    expect(beats.every((b) => b.symbol === '')).toBe(true);
  });
  it('implies its chords where it breaks them', () =>
    expect(symbols('C E G E | G, B, D F | C E G E | C4 |]').slice(0, 3)).toEqual(['C', 'G7', 'C']));
});
