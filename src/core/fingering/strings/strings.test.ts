import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { openAbc } from '../../studio';
import { fingerScore } from '../index';
import { chordChange, chordShapes, fingerShape } from './chord-shapes';
import { instrumentOf, type FrettedStrings, type InstrumentId } from '../../instruments';
import { cheapestPath, leastThrough } from './lattice';

const fretted = (id: InstrumentId): FrettedStrings => {
  const { fingers } = instrumentOf(id);
  if (fingers?.kind !== 'fretted') throw new Error(`${id} has no frets`);
  return fingers;
};

const play = (
  instrument: InstrumentId,
  music: string,
  key = 'C',
  more: Partial<Parameters<typeof fingerScore>[1]> = {},
) => {
  const opened = openAbc(`X:1\nM:none\nL:1/4\nQ:1/4=90\nK:${key}\n${music} |`, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return fingerScore(opened.value.read.score, { instrument, ...more });
};
const fingers = (...args: Parameters<typeof play>): string =>
  play(...args)
    .notes.map((n) => n.finger)
    .join(' ');
const strings = (...args: Parameters<typeof play>): string =>
  play(...args)
    .notes.map((n) => n.string)
    .join('');

describe('double bass, half position', () => {
  // Handbook chapter 4 [common practice]; Simandl's 1-2-4 system (1881). Written an octave above the sound, so typed as
  // sounding here.
  it('F major from the E string is 1 4 0 1 4 0 2 4', () =>
    expect(fingers('bass', 'F,,, G,,, A,,, B,,, C,, D,, E,, F,,', 'F')).toBe('1 4 0 1 4 0 2 4'));
  it('B flat major from the A string is 1 4 0 1 4 0 2 4', () =>
    expect(fingers('bass', 'B,,, C,, D,, E,, F,, G,, A,, B,,', 'Bb')).toBe('1 4 0 1 4 0 2 4'));
});

describe('violin and viola, first position', () => {
  // Any violin method: the one-octave scales of the open strings (common practice).
  it.each([
    ['G major', 'G, A, B, C D E F G', 'G', '0 1 2 3 0 1 2 3', '44443333'],
    ['D major', 'D E F G A B c d', 'D', '0 1 2 3 0 1 2 3', '33332222'],
    ['A major', 'A B c d e f g a', 'A', '0 1 2 3 0 1 2 3', '22221111'],
  ])('%s', (_, music, key, expected, on) => {
    expect(fingers('violin', music, key)).toBe(expected);
    expect(strings('violin', music, key)).toBe(on);
  });
  it('the viola is a fifth lower', () =>
    expect(fingers('viola', 'C, D, E, F, G, A, B, C', 'C')).toBe('0 1 2 3 0 1 2 3'));
  it('takes the fourth finger for the open string when asked', () =>
    expect(fingers('violin', 'D E F G A G F E', 'D', { openOrFourth: 'fourth' })).toContain('4'));
  it('keeps a locked string and finger', () => {
    const opened = openAbc('X:1\nM:none\nL:1/4\nK:D\nF G A G |', 'x.abc');
    if (!opened.ok) throw new Error('no');
    const { notes } = fingerScore(opened.value.read.score, {
      instrument: 'violin',
      locks: new Map([['p1-b1-n3', { finger: '4' }]]),
    });
    expect(notes.map((n) => [n.finger, n.string])).toEqual([
      ['2', 3],
      ['3', 3],
      ['4', 3],
      ['3', 3],
    ]);
  });
  it('plays a passage on another string as an exercise, in a higher position', () => {
    const { notes } = play('violin', 'A B c d', 'D', { onString: 3 });
    expect(notes.every((n) => n.string === 3)).toBe(true);
    expect(notes.some((n) => n.position !== undefined && n.position !== 'first position')).toBe(true);
  });
  it('shifts when it must and says where', () => {
    const { notes } = play('violin', "a b c' d' e'", 'A');
    expect(notes.filter((n) => n.position && n.position !== 'first position').length).toBeGreaterThan(0);
  });
});

describe('cello, first position', () => {
  it('C major over two strings is 0 1 3 4 0 1 3 4', () =>
    expect(fingers('cello', 'C,, D,, E,, F,, G,, A,, B,, C,')).toBe('0 1 3 4 0 1 3 4'));
});

describe('cello, the open hand', () => {
  // Any method (common practice): two whole tones under one hand are 1 x2 4.
  it('D E F sharp on the C string is 1 2 4 in first position', () => {
    const { notes } = play('cello', 'D,, E,, ^F,,', 'C', { onString: 4 });
    expect(notes.map((n) => n.finger)).toEqual(['1', '2', '4']);
    expect(notes.flatMap((n) => n.position ?? [])).toEqual(['first position']);
    expect(notes[1]?.why).toContain('extension');
    expect(notes.map((n) => n.extended ?? false)).toEqual([false, true, false]);
  });
  it('D major over two octaves opens the hand on the two lower strings only', () => {
    const { notes } = play('cello', 'D,, E,, F,, G,, A,, B,, C, D, E, F, G, A, B, C D', 'D');
    expect(notes.map((n) => `${n.extended ? 'x' : ''}${n.finger}`).join(' ')).toBe('1 x2 4 0 1 x2 4 0 1 3 4 0 1 3 4');
  });
  it('B flat major reaches back to E flat and stays in first position', () => {
    const { notes } = play('cello', 'B,, C, D, E, F, G, A, B,', 'Bb');
    expect(notes.map((n) => n.finger).join(' ')).toBe('2 4 0 1 2 4 0 1');
    expect(notes.flatMap((n) => n.position ?? [])).toEqual(['first position']);
  });
  const C_STRING: readonly (readonly [string, number])[] = [
    ['=D,,', 38],
    ['=E,,', 40],
    ['^F,,', 42],
    ['=G,,', 43],
    ['=A,,', 45],
    ['_B,,', 46],
    ['=B,,', 47],
    ['=C,', 48],
    ['^C,', 49],
    ['=D,', 50],
  ];
  it('never puts two other fingers than the first a whole tone apart on a string', () =>
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...C_STRING), { minLength: 3, maxLength: 8 }), (line) => {
        const { notes } = play('cello', line.map(([name]) => name).join(' '));
        notes.forEach((n, i) => {
          const before = notes[i - 1];
          if (!before || before.string !== n.string || n.position !== undefined) return;
          const [low = 0, high = 0] = [Number(before.finger), Number(n.finger)].sort();
          if (low > 1) expect(Math.abs((line[i]?.[1] ?? 0) - (line[i - 1]?.[1] ?? 0))).toBe(high - low);
        });
      }),
      { numRuns: 60 },
    ));
});

describe('shifts of the violin', () => {
  const shiftsOf = (music: string, key: string) => {
    const { notes } = play('violin', music, key);
    return notes.flatMap((n, i) => (i > 0 && n.position ? [{ to: n.finger, from: notes[i - 1]?.finger }] : []));
  };
  // Up a scale the first finger goes to the new place, down it is left from the first (common practice).
  it.each([
    ['C', "e f g a b c' d' e'"],
    ['G', "e f g a b c' d' e'"],
    ['E', "f g a b c' d' e' f'"],
    ['F', "f g a b c' d' e' f'"],
    ['Bb', "f g a b c' d' e' f'"],
  ])('go onto one in %s major', (key, music) => {
    const up = shiftsOf(music, key).filter((s) => s.from !== '0');
    expect(up.length).toBeGreaterThan(0);
    expect(up.every((s) => s.to === '1')).toBe(true);
    const down = shiftsOf(music.split(' ').reverse().join(' '), key);
    expect(down.every((s) => s.from === '1')).toBe(true);
  });
});

describe('open string or fourth finger', () => {
  const turn = 'G A G F';
  const scale = 'D E F G A B A G F E D';
  it('is the open string as it comes, however long or short the note', () => {
    for (const length of ['', '4', '/4'])
      expect(fingers('violin', turn.replaceAll('A', `A${length}`), 'D')).toBe('3 0 3 2');
  });
  it('is the fourth where it is asked for, but the open string on the way up', () => {
    expect(fingers('violin', turn, 'D', { openOrFourth: 'fourth' })).toBe('3 4 3 2');
    expect(fingers('violin', scale, 'D', { openOrFourth: 'fourth' })).toBe('0 1 2 3 0 1 4 3 2 1 0');
  });
});

describe('fretted strings', () => {
  // Handbook chapter 4 [common practice].
  it('the banjo’s first string open, 2, 3 and 5 is D E F G', () => {
    const { notes } = play('banjo', 'D E F G');
    expect(notes.filter((n) => n.string === 1).map((n) => n.fret)).toEqual(notes.map((n) => n.fret));
    expect(notes.map((n) => n.fret)).toEqual([0, 2, 3, 5]);
  });
  const shape = (instrument: InstrumentId, classes: readonly number[]): string =>
    [...(chordShapes(fretted(instrument), classes)[0]?.frets ?? [])]
      .reverse()
      .map((f) => f ?? 'x')
      .join('');
  it('the ukulele’s C is 0003 and F is 2010', () => {
    expect(shape('ukulele', [0, 4, 7])).toBe('0003');
    expect(shape('ukulele', [5, 9, 0])).toBe('2010');
  });
  it('a bar over the banjo’s four long strings is C at the fifth fret and D at the seventh', () => {
    const barred = (classes: readonly number[], fret: number): boolean =>
      chordShapes(fretted('banjo'), classes, 40).some(
        (s) => s.frets.slice(0, 4).every((f) => f === fret) && s.barre === fret,
      );
    expect([barred([0, 4, 7], 5), barred([2, 6, 9], 7)]).toEqual([true, true]);
  });
  // The first chords of any guitar method.
  it.each([
    ['C', [0, 4, 7], 'x32010'],
    ['G', [7, 11, 2], '320003'],
    ['D', [2, 6, 9], 'xx0232'],
    ['Em', [4, 7, 11], '022000'],
    ['Am', [9, 0, 4], 'x02210'],
    ['E', [4, 8, 11], '022100'],
    ['A', [9, 1, 4], 'x02220'],
  ] as const)('guitar %s is among the easiest three', (_, classes, expected) =>
    expect(
      chordShapes(fretted('guitar'), classes)
        .slice(0, 3)
        .map((s) =>
          [...s.frets]
            .reverse()
            .map((f) => f ?? 'x')
            .join(''),
        ),
    ).toContain(expected),
  );
  // Fingers as the charts of any first method have them; strings from the lowest to the highest.
  it.each([
    ['ukulele', '0003', '0003'],
    ['ukulele', '2000', '2000'],
    ['ukulele', '2010', '2010'],
    ['ukulele', '0232', '0132'],
    ['ukulele', '0432', '0321'],
    ['guitar', 'x32010', 'x32010'],
    ['guitar', 'x02220', 'x01230'],
    ['guitar', 'x02210', 'x02310'],
    ['guitar', '022100', '023100'],
    ['guitar', '022000', '023000'],
    ['guitar', '320003', '210003'],
    ['guitar', 'xx0232', 'xx0132'],
    ['guitar', 'xx0212', 'xx0213'],
    ['guitar', 'x21202', 'x21304'],
    ['guitar', '133211', '134211'],
  ])('%s %s is held as %s', (_, frets, fingers) => {
    const read = (text: string): (number | null)[] => [...text].reverse().map((c) => (c === 'x' ? null : Number(c)));
    expect(fingerShape(read(frets))?.fingers).toEqual(read(fingers));
  });
  it('a chord in the notes has the fingers of its shape on a chart', () => {
    const { notes } = play('guitar', '[A,,E,A,^CE]4');
    const shape = fingerShape([0, 2, 2, 2, 0, null]);
    for (const n of notes) expect(n.finger).toBe(String(shape?.fingers[(n.string ?? 1) - 1]));
  });
  it('every shape holds every note of its chord and no other, under four fingers', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('guitar', 'ukulele', 'tenor-banjo', 'mandolin'),
        fc.integer({ min: 0, max: 11 }),
        fc.constantFrom([0, 4, 7], [0, 3, 7], [0, 4, 7, 10]),
        (name, root, chord) => {
          const instrument = fretted(name);
          const classes = chord.map((c) => (root + c) % 12);
          for (const s of chordShapes(instrument, classes, 5)) {
            const heard = new Set(
              s.frets.flatMap((f, i) => (f === null ? [] : [((instrument.strings[i]?.key ?? 0) + f) % 12])),
            );
            expect([...heard].every((c) => classes.includes(c))).toBe(true);
            expect(classes.every((c) => heard.has(c))).toBe(true);
            expect(s.fingers.every((f) => f === null || (f >= 0 && f <= 4))).toBe(true);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
  it('between Em and E two fingers stay', () => {
    const find = (classes: readonly number[], frets: string) =>
      chordShapes(fretted('guitar'), classes, 30).find(
        (s) =>
          [...s.frets]
            .reverse()
            .map((f) => f ?? 'x')
            .join('') === frets,
      );
    const em = find([4, 7, 11], '022000');
    const am = find([9, 0, 4], 'x02210');
    const c = find([0, 4, 7], 'x32010');
    if (!em || !am || !c) throw new Error('shapes');
    expect(chordChange(am, c).stay.length).toBeGreaterThanOrEqual(1);
    expect(chordChange(am, c).cost).toBeLessThan(chordChange(em, c).cost);
    expect(chordChange(c, c).cost).toBe(0);
  });
});

describe('the lattice', () => {
  it('finds the cheapest path, by exhaustive search', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.nat(9), { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 6 }),
        (columns) => {
          const own = (p: number): number => (p * 7) % 5;
          const step = (a: number, b: number): number => Math.abs(a - b) * 0.7;
          let best = Infinity;
          const walk = (i: number, last: number | null, cost: number): void => {
            if (i === columns.length) best = Math.min(best, cost);
            else for (const p of columns[i] ?? []) walk(i + 1, p, cost + own(p) + (last === null ? 0 : step(last, p)));
          };
          walk(0, null, 0);
          expect(cheapestPath(columns, own, step).cost).toBeCloseTo(best, 9);
          // Through each place: the cheapest path of the lattice in which its column has that place alone.
          leastThrough(columns, own, step).forEach((costs, c) =>
            costs.forEach((cost, k) => {
              const through = columns.map((column, i) => (i === c ? column.slice(k, k + 1) : column));
              expect(cost).toBeCloseTo(cheapestPath(through, own, step).cost, 9);
            }),
          );
        },
      ),
    );
  });
});

describe('the next best answer', () => {
  it('is said with how far it is behind, where it is close', () => {
    const { notes } = play('violin', 'G A G F', 'D', { margins: true });
    // The open A is as near as the fourth finger on the D string.
    expect(notes[1]).toMatchObject({ finger: '0', alternatives: ['4, string 3'] });
    expect(notes.every((n) => (n.margin ?? 0) >= 0)).toBe(true);
  });
  it('is not said where nothing else can be played, nor of what the teacher set', () => {
    const { notes } = play('violin', 'G, A,', 'G', { margins: true });
    expect(notes[0]).not.toHaveProperty('margin');
    expect(play('violin', 'G A', 'D').notes[0]).not.toHaveProperty('margin');
  });
});
