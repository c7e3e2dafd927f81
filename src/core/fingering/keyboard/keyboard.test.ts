import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { openAbc } from '../../studio';
import { fingerKeyboard } from './finger-keyboard';
import { leastWith } from './choices';
import { assignmentsOf, solveHand, totalCost, type Assignment, type HandEvent } from './solve';
import { SPAN_TABLE, spansFor, type Finger } from './spans';
import type { Hand } from './standard';
import { scoreOfAbc } from '../../studio/abc-for-tests';

const NAMES = ['C', '^C', 'D', '^D', 'E', 'F', '^F', 'G', '^G', 'A', '^A', 'B'];
const abcNote = (key: number): string => {
  const name = NAMES[key % 12] ?? 'C';
  const octave = Math.floor(key / 12) - 1;
  return octave >= 5 ? name.toLowerCase() + "'".repeat(octave - 5) : name + ','.repeat(4 - octave);
};
const scoreOf = (keys: readonly number[], key: string) => {
  const music = keys.map((k) => abcNote(k).replace(/^\^?/, (s) => (s === '' ? '=' : s))).join('');
  return scoreOfAbc(`X:1\nM:none\nL:1/16\nQ:1/4=80\nK:${key}\n${music} |`);
};
const fingers = (keys: readonly number[], hand: Hand, key: string): string =>
  fingerKeyboard(scoreOf(keys, key), { hand, spanInSemitones: 13, locks: new Map() })
    .notes.map((n) => n.finger)
    .join('');

const MAJOR = [0, 2, 4, 5, 7, 9, 11];
const HARMONIC = [0, 2, 3, 5, 7, 8, 11];
const up = (tonic: number, steps: readonly number[], octaves: number): number[] => [
  ...Array.from({ length: octaves }, (_, o) => steps.map((s) => tonic + 12 * o + s)).flat(),
  tonic + 12 * octaves,
];

// Charles-Louis Hanon, "The Virtuoso Pianist in 60 Exercises" (1873), no. 39: two octaves of every key up, right and
// left hand. Typed from memory of the common reprint; B flat begins on two there, E flat and A flat are given in the
// form that begins as it goes on.
const MAJOR_TABLE: Readonly<Record<string, readonly [number, string, string]>> = {
  C: [60, '123123412312345', '543213214321321'],
  G: [55, '123123412312345', '543213214321321'],
  D: [62, '123123412312345', '543213214321321'],
  A: [57, '123123412312345', '543213214321321'],
  E: [64, '123123412312345', '543213214321321'],
  B: [59, '123123412312345', '432143213214321'],
  'F#': [54, '234123123412312', '432132143213214'],
  Db: [61, '231234123123412', '321432132143213'],
  Ab: [56, '341231234123123', '321432132143213'],
  Eb: [63, '312341231234123', '321432132143213'],
  Bb: [58, '212312341231234', '321432132143213'],
  F: [65, '123412312341234', '543213214321321'],
};
const MINOR_TABLE: Readonly<Record<string, readonly [number, string, string]>> = {
  Am: [57, '123123412312345', '543213214321321'],
  Em: [64, '123123412312345', '543213214321321'],
  Bm: [59, '123123412312345', '432143213214321'],
  'F#m': [54, '341231234123123', '432132143213214'],
  'C#m': [61, '341231234123123', '321432132143213'],
  'G#m': [56, '341231234123123', '321432132143213'],
  Ebm: [63, '312341231234123', '214321321432132'],
  Bbm: [58, '212312341231234', '213214321321432'],
  Fm: [65, '123412312341234', '543213214321321'],
  Cm: [60, '123123412312345', '543213214321321'],
  Gm: [55, '123123412312345', '543213214321321'],
  Dm: [62, '123123412312345', '543213214321321'],
};

describe.each([
  ['major', MAJOR, MAJOR_TABLE],
  ['harmonic minor', HARMONIC, MINOR_TABLE],
] as const)('the standard fingering of %s scales', (_, steps, table) => {
  it.each(Object.entries(table))('%s', (key, [tonic, right, left]) => {
    const spelled = key.replace('F#', 'F#').replace(/^([A-G][#b]?)(m?)$/, '$1$2');
    const high = up(tonic, steps, 2);
    const low = up(tonic - 12, steps, 2);
    expect(fingers(high, 'right', spelled)).toBe(right);
    expect(fingers(low, 'left', spelled)).toBe(left);
    // Down again with the same fingers.
    expect(fingers([...high, ...[...high].reverse().slice(1)], 'right', spelled)).toBe(
      right + [...right].reverse().slice(1).join(''),
    );
    expect(fingers([...low, ...[...low].reverse().slice(1)], 'left', spelled)).toBe(
      left + [...left].reverse().slice(1).join(''),
    );
  });
});

describe('melodic minor', () => {
  // As above; going up the raised degrees move the thumb in two keys of the right hand.
  const MELODIC = [0, 2, 3, 5, 7, 9, 11];
  it.each([
    ['Am', 57, '123123412312345', '543213214321321'],
    ['Dm', 62, '123123412312345', '543213214321321'],
    ['C#m', 61, '231234123123412', '321432132143213'],
    ['F#m', 54, '231234123123412', '432132143213214'],
  ] as const)('%s', (key, tonic, right, left) => {
    expect(fingers(up(tonic, MELODIC, 2), 'right', key)).toBe(right);
    expect(fingers(up(tonic - 12, MELODIC, 2), 'left', key)).toBe(left);
  });
  it('lists the first fingers that methods print otherwise', () => {
    const { notes } = fingerKeyboard(scoreOf(up(58, MAJOR, 2), 'Bb'), {
      hand: 'right',
      spanInSemitones: 13,
      locks: new Map(),
    });
    expect(notes[0]).toMatchObject({ finger: '2', alternates: ['4'] });
  });
  it('goes on as it does from any note of the scale', () =>
    expect(fingers([62, 64, 65, 67, 69, 71, 72, 74], 'right', 'C')).toMatch(/^2312341/));
});

describe('one, three and four octaves', () => {
  it.each([1, 3, 4])('%i', (n) => {
    const keys = up(36, MAJOR, n);
    expect(fingers(keys, 'right', 'C')).toBe(`${'1231234'.repeat(n)}5`);
    expect(fingers(keys, 'left', 'C')).toBe(`5${'4321321'.repeat(n)}`);
  });
});

// Hanon, as above, no. 41: arpeggios on the triads, two octaves.
const ARPEGGIOS: readonly (readonly [string, number, readonly number[], string, string])[] = [
  ['C', 60, [0, 4, 7], '1231235', '5421421'],
  ['G', 55, [0, 4, 7], '1231235', '5421421'],
  ['D', 62, [0, 4, 7], '1231235', '5321321'],
  ['A', 57, [0, 4, 7], '1231235', '5321321'],
  ['E', 64, [0, 4, 7], '1231235', '5321321'],
  ['B', 59, [0, 4, 7], '1231235', '5321321'],
  ['F', 65, [0, 4, 7], '1231235', '5421421'],
  ['F#', 54, [0, 4, 7], '1231235', '5321321'],
  ['Db', 61, [0, 4, 7], '4124124', '2142142'],
  ['Ab', 56, [0, 4, 7], '4124124', '2142142'],
  ['Eb', 63, [0, 4, 7], '4124124', '2142142'],
  ['Bb', 58, [0, 4, 7], '4124124', '3213213'],
  ['Am', 57, [0, 3, 7], '1231235', '5421421'],
  ['Em', 64, [0, 3, 7], '1231235', '5421421'],
  ['Dm', 62, [0, 3, 7], '1231235', '5421421'],
  ['Cm', 60, [0, 3, 7], '1231235', '5421421'],
  ['Ebm', 63, [0, 3, 7], '1231235', '5421421'],
  ['C#m', 61, [0, 3, 7], '4124124', '2142142'],
  ['F#m', 54, [0, 3, 7], '4124124', '2142142'],
  ['Bbm', 58, [0, 3, 7], '2312312', '3213213'],
];
describe('the standard fingering of arpeggios', () => {
  it.each(ARPEGGIOS)('%s', (key, tonic, chord, right, left) => {
    expect(fingers(up(tonic, chord, 2), 'right', key)).toBe(right);
    expect(fingers(up(tonic - 12, chord, 2), 'left', key)).toBe(left);
  });
  it('of a seventh takes four fingers in turn', () => {
    expect(fingers(up(60, [0, 4, 7, 10], 2), 'right', 'F')).toBe('123412345');
    expect(fingers(up(48, [0, 4, 7, 10], 2), 'left', 'F')).toBe('543214321');
  });
});

describe('everyday passages', () => {
  it.each([
    ['five fingers in a row', [60, 62, 64, 65, 67, 65, 64, 62, 60], 'right', '123454321'],
    ['five fingers in the left', [48, 50, 52, 53, 55], 'left', '54321'],
    ['a broken-chord bass', [48, 55, 52, 55, 48, 55, 52, 55], 'left', '51315131'],
    ['repeated notes', [60, 60, 60], 'right', '111'],
  ] as const)('%s', (_, keys, hand, expected) => expect(fingers([...keys], hand, 'C')).toBe(expected));
});

describe('the solver', () => {
  const key = fc.integer({ min: 55, max: 76 });
  const event = fc.record({
    keys: fc.uniqueArray(key, { minLength: 1, maxLength: 3 }).map((k) => k.sort((a, b) => a - b)),
    seconds: fc.double({ min: 0.05, max: 1, noNaN: true }),
    afterRest: fc.boolean(),
    lock: fc.option(fc.integer({ min: 1, max: 5 })),
  });
  const toEvent = (e: { keys: number[]; seconds: number; afterRest: boolean; lock: number | null }): HandEvent => ({
    keys: e.keys,
    held: e.keys.map(() => false),
    locked: e.keys.map((_, i) => (i === 0 && e.lock !== null ? (e.lock as Finger) : null)),
    standard: null,
    wanted: e.keys.map((_, i) => (i === 0 && e.lock === 4 ? 2 : null)),
    wantedPrice: 5,
    seconds: e.seconds,
    afterRest: e.afterRest,
  });
  it('finds the least of all fingerings, by exhaustive search on up to seven events', () => {
    const spans = spansFor(13);
    fc.assert(
      fc.property(
        fc.array(event, { minLength: 1, maxLength: 7 }),
        fc.constantFrom<Hand>('right', 'left'),
        (raw, hand) => {
          const singles = raw.map((e, i) => toEvent(i % 3 === 2 ? e : { ...e, keys: e.keys.slice(0, 1) })).slice(0, 7);
          const choices = singles.map((e) => assignmentsOf(e, hand));
          fc.pre(choices.reduce((n, c) => n * c.length, 1) <= 60_000);
          let best = Infinity;
          const walk = (so: Assignment[]): void => {
            if (so.length === singles.length) {
              best = Math.min(best, totalCost(singles, so, hand, spans));
              return;
            }
            for (const a of choices[so.length] ?? []) walk([...so, a]);
          };
          walk([]);
          const solved = solveHand(singles, hand, spans);
          expect(solved.cost).toBeCloseTo(best, 6);
          expect(totalCost(singles, solved.fingers, hand, spans)).toBeCloseTo(solved.cost, 6);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('knows of every choice the least cost of a whole fingering with it', () => {
    const spans = spansFor(13);
    fc.assert(
      fc.property(
        fc.array(event, { minLength: 1, maxLength: 6 }),
        fc.constantFrom<Hand>('right', 'left'),
        (raw, hand) => {
          const events = raw.map((e) => toEvent({ ...e, lock: null }));
          const choices = leastWith(events, hand, spans);
          const { cost } = solveHand(events, hand, spans);
          choices.forEach((of, i) => {
            expect(Math.min(...of.map((c) => c.cost))).toBeCloseTo(cost, 6);
            for (const { fingers, cost: least } of of) {
              // The same event with these fingers set, and all others free.
              const set = events.map((e, k) => (k === i ? { ...e, locked: fingers } : e));
              const free = solveHand(set, hand, spans);
              expect(totalCost(events, free.fingers, hand, spans)).toBeCloseTo(least, 6);
            }
          });
        },
      ),
      { numRuns: 25 },
    );
  });
  it('keeps every lock, wherever it is set', () => {
    fc.assert(
      fc.property(
        fc.array(key, { minLength: 2, maxLength: 12 }),
        fc.nat(),
        fc.integer({ min: 1, max: 5 }),
        (keys, at, finger) => {
          const score = scoreOf(keys, 'C');
          const note = score.notes[at % score.notes.length];
          if (!note) return;
          const { notes } = fingerKeyboard(score, {
            hand: 'right',
            spanInSemitones: 13,
            locks: new Map([[note.id, finger as Finger]]),
          });
          expect(notes.find((n) => n.noteId === note.id)).toMatchObject({ finger: String(finger), locked: true });
        },
      ),
      { numRuns: 60 },
    );
  });
  it('solves a passage and its mirror alike: the left hand is the right turned round', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(0, 2, 4, 5, 7, 9, 11, 12), { minLength: 2, maxLength: 9 }), (offsets) => {
        // D is the middle of the keyboard's own symmetry.
        const ev = (keys: readonly number[]): HandEvent[] =>
          keys.map((k) => ({
            keys: [k],
            held: [false],
            locked: [null],
            standard: null,
            wanted: [null],
            wantedPrice: 0,
            seconds: 0.5,
            afterRest: false,
          }));
        const right = solveHand(ev(offsets.map((o) => 62 + o)), 'right', spansFor(13));
        const left = solveHand(ev(offsets.map((o) => 62 - o)), 'left', spansFor(13));
        expect(left.cost).toBeCloseTo(right.cost, 6);
      }),
      { numRuns: 60 },
    );
  });
});

describe('spans', () => {
  // Parncutt et al. 1997, table 1: rows checked against one another (a pair further apart never reaches less).
  it('grow with the distance of the fingers', () => {
    const table = SPAN_TABLE;
    expect(table['15']?.maxPractical).toBe(15);
    for (const [near, far] of [
      ['12', '13'],
      ['13', '14'],
      ['14', '15'],
      ['23', '24'],
      ['24', '25'],
      ['34', '35'],
    ])
      expect(table[far ?? '']?.maxComfortable).toBeGreaterThan(table[near ?? '']?.maxComfortable ?? 99);
  });
  it('flag a chord past the hand with a way out', () => {
    const opened = openAbc('X:1\nM:4/4\nL:1/1\nK:C\n[Ce] |', 'x.abc');
    if (!opened.ok) throw new Error(opened.issue.message);
    const { warnings } = fingerKeyboard(opened.value.read.score, {
      hand: 'right',
      spanInSemitones: 12,
      locks: new Map(),
    });
    expect(warnings).toMatchObject([{ code: 'stretch', bar: 0 }]);
    expect(warnings[0]?.message).toMatch(/Roll it.*other hand.*leave out/);
  });
});

describe('the same material', () => {
  it('gets the same fingering where it comes again, or says why not', () => {
    const bar = [60, 64, 67, 72];
    const keys = [...bar, 76, 74, 72, 71, ...bar, 48, 50, 52, 53, ...bar];
    const music = keys
      .map(abcNote)
      .join(' ')
      .replace(/((?:\S+ ){3}\S+) ?/g, '$1 | ');
    const opened = openAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=120\nK:C\n${music}`, 'x.abc');
    if (!opened.ok) throw new Error(opened.issue.message);
    const { notes, warnings } = fingerKeyboard(opened.value.read.score, {
      hand: 'right',
      spanInSemitones: 13,
      locks: new Map(),
    });
    const of = (b: number) =>
      notes
        .filter((n) => n.bar === b)
        .map((n) => n.finger)
        .join('');
    for (const b of [2, 4])
      expect(of(b) === of(0) || warnings.some((w) => w.code === 'other-fingers' && w.bar === b)).toBe(true);
  });
  it('is fingered alike whatever comes between, or the bar is named', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...'CDEFGABcdefg'), { minLength: 4, maxLength: 4 }), (tune) => {
        const opened = openAbc(
          `X:1\nM:4/4\nL:1/4\nQ:1/4=100\nK:C\n${tune.join(' ')} | z4 | e d c B | z4 | ${tune.join(' ')} | z4 |`,
          'x.abc',
        );
        if (!opened.ok) throw new Error(opened.issue.message);
        const { notes, warnings } = fingerKeyboard(opened.value.read.score, {
          hand: 'right',
          spanInSemitones: 13,
          locks: new Map(),
        });
        const of = (b: number): string =>
          notes
            .filter((n) => n.bar === b)
            .map((n) => n.finger)
            .join('');
        expect(warnings.some((w) => w.code === 'other-fingers' && w.bar === 4)).toBe(of(4) !== of(0));
      }),
      { numRuns: 40 },
    );
  });
});

describe('a second voice in the hand', () => {
  const fingered = (abc: string, span = 13) => {
    const score = scoreOfAbc(`X:1\nM:4/4\nL:1/8\nQ:1/4=100\n${abc} |]`);
    const { notes, warnings } = fingerKeyboard(score, { hand: 'right', spanInSemitones: span, locks: new Map() });
    const byId = new Map(score.notes.map((n) => [n.id, n]));
    return { warnings, notes: notes.flatMap((f) => ({ finger: f.finger, note: byId.get(f.noteId) })) };
  };
  const TWO = '%%score (1 2)\nV:1\nV:2\nK:C\n';
  it('keeps the finger of a held note from the notes beside it', () => {
    const { notes } = fingered(`${TWO}V:1\ng8 | a4 g4\nV:2\nc2 d2 e2 d2 | c2 d2 e2 f2`);
    expect(notes.map((n) => n.finger).join('')).toMatch(/^1523/);
    const held = notes.filter((n) => n.note?.voice === '1');
    for (const { note, finger } of held)
      for (const other of notes)
        if (
          note &&
          other.note &&
          other.note.voice === '2' &&
          other.note.onset > note.onset &&
          other.note.onset < note.onset + note.duration
        )
          expect(other.finger).not.toBe(finger);
  });
  it('never gives one finger two keys at once, nor crosses the fingers of keys that are down', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('c', 'd', 'e', 'f', 'g'), { minLength: 4, maxLength: 4 }),
        fc.constantFrom('A8', 'a8', 'B4 G4', 'b4 g4'),
        (tune, held) => {
          const { notes } = fingered(`${TWO}V:1\n${tune.map((n) => `${n}2`).join(' ')}\nV:2\n${held}`);
          for (const a of notes)
            for (const b of notes) {
              if (!a.note || !b.note || a.note.voice === b.note.voice || a.note.midi === b.note.midi) continue;
              if (b.note.onset < a.note.onset || b.note.onset >= a.note.onset + a.note.duration) continue;
              const up = (b.note.midi ?? 0) > (a.note.midi ?? 0);
              expect(up ? b.finger > a.finger : b.finger < a.finger).toBe(true);
            }
        },
      ),
      { numRuns: 40 },
    ));
  it('leaves to the pedal what no hand can hold', () => {
    const { notes } = fingered(`${TWO}V:1\ne'2 f'2 g'2 f'2\nV:2\nC8`);
    expect(notes.map((n) => n.finger)).toContain('1');
  });
  it('takes octaves with one and five, and black ones with one and four in a large hand', () => {
    const music = '[Cc]2 [Dd]2 [Ee]2 [Ff]2 | [^F^f]2 [Gg]2 [^G^g]2 [Aa]2';
    expect(
      fingered(`K:C\n${music}`)
        .notes.map((n) => n.finger)
        .join(''),
    ).toBe('15'.repeat(8));
    expect(
      fingered(`K:C\n${music}`, 15)
        .notes.map((n) => n.finger)
        .join(''),
    ).toBe(`${'15'.repeat(4)}14151415`);
  });
  it('repeats its pattern in a sequence, and says where black keys forbid it', () => {
    const { notes, warnings } = fingered("K:C\nc2 e2 g2 c'2 | d2 f2 a2 d'2 | e2 g2 b2 e'2");
    expect(notes.map((n) => n.finger).join('')).toBe('1235'.repeat(3));
    expect(warnings).toEqual([]);
    const black = fingered('K:E\nA,2 C2 E2 A2 | C2 E2 G2 c2');
    expect(black.warnings.map((w) => w.message)).toEqual([
      'bar 2, right hand: other fingers than in bar 1 for the same figure: black keys lie otherwise',
    ]);
  });
});
