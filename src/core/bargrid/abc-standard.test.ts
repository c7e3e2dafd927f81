// The ABC Music Standard 2.1 (2011); the section stands beside each test. Examples are ours.
import { describe, expect, it } from 'vitest';
import { compare, fractionText, meterText, pitchName, playingOrder, type Score } from '../score';
import { openAbc } from '../studio';
import { scoreOfAbc } from '../studio/abc-for-tests';

const score = (music: string, head = 'M:4/4\nL:1/8\nK:C'): Score => scoreOfAbc(`X:1\n${head}\n${music}`);
const quarters = (s: Score): number[] => s.notes.map((n) => n.duration / s.ticksPerQuarter);
const names = (s: Score): string[] => s.notes.map((n) => (n.pitch ? pitchName(n.pitch) : 'x'));
const warnings = (abc: string): string[] => {
  const opened = openAbc(abc, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score.warnings.filter((w) => w.code === 'abc').map((w) => w.message);
};
const syllables = (words: string, music = 'cdef gabc'): string[] =>
  score(`${music}|\nw:${words}`).notes.map((n) => n.marks.lyrics.map((l) => l.text).join());

describe('the header', () => {
  it.each([
    ['C', '4/4'],
    ['C|', '2/2'],
    ['6/8', '6/8'],
    ['(2+3+2)/8', '2+3+2/8'],
  ])('M:%s is %s (3.1.6)', (text, expected) =>
    expect(meterText(score('c2', `M:${text}\nL:1/8\nK:C`).bars[0]?.meter ?? { parts: [], symbol: null })).toBe(
      expected,
    ),
  );
  it('M:none has no beats (3.1.6)', () =>
    expect(score('c2 d2', 'M:none\nL:1/8\nK:C').bars[0]?.meter.parts).toEqual([]));
  it('takes the unit from the meter: a sixteenth under 3/4, else an eighth (3.1.7)', () => {
    expect(quarters(score('c', 'M:2/4\nK:C'))).toEqual([0.25]);
    expect(quarters(score('c', 'M:3/4\nK:C'))).toEqual([0.5]);
    expect(quarters(score('c', 'M:6/8\nK:C'))).toEqual([0.5]);
    expect(quarters(score('c', 'M:2/4\nL:1/4\nK:C'))).toEqual([1]);
  });
  it.each([
    ['1/4=120', 120],
    ['3/8=50', 75],
    ['"Allegro" 1/4=120', 120],
    ['1/4=60 "Slowly"', 60],
    ['1/4 3/8 1/4 3/8=40', 200],
    ['80', 40],
  ])('Q:%s is so many quarters a minute (3.1.8)', (text, bpm) =>
    expect(score('c8', `M:4/4\nL:1/8\nQ:${text}\nK:C`).tempos[0]?.bpm).toBe(bpm),
  );
  it.each([
    ['C#', 7],
    ['A#m', 7],
    ['G#Mix', 7],
    ['D#Dor', 7],
    ['E#Phr', 7],
    ['F#Lyd', 7],
    ['B#Loc', 7],
    ['Cb', -7],
    ['Abm', -7],
    ['GbMix', -7],
    ['DbDor', -7],
    ['EbPhr', -7],
    ['FbLyd', -7],
    ['BbLoc', -7],
    ['E', 4],
    ['BMix', 4],
    ['CLoc', -5],
  ])('K:%s has %i in its signature (the table of 3.1.14)', (key, fifths) =>
    expect(score('c', `M:4/4\nL:1/8\nK:${key}`).bars[0]?.key.fifths).toBe(fifths),
  );
  it('takes the accidentals that a key names one by one (3.1.14)', () => {
    expect(names(score('f d f', 'M:4/4\nL:1/8\nK:D Phr ^f'))).toEqual(['F♯5', 'D5', 'F♯5']);
    expect(names(score('b c f', 'M:4/4\nL:1/8\nK:D exp _b _e ^f'))).toEqual(['B♭5', 'C5', 'F♯5']);
    expect(names(score('f [K:C] f [K:C ^f] f'))).toEqual(['F5', 'F5', 'F♯5']);
    expect(names(score('g =g', 'M:4/4\nL:1/8\nK:Am ^g'))).toEqual(['G♯5', 'G5']);
  });
  it('reads accents in titles and names, and every composer (8.2)', () => {
    const s = score(
      'c8',
      String.raw`T:F\"ur die gro\sse Gr\^ace, \AAse &eacute;t\u00e9` + '\nC:A. One\nC:B. Two\nM:4/4\nK:C',
    );
    expect([s.title, s.composer]).toEqual(['Für die große Grâce, Åse été', 'A. One, B. Two']);
  });
  it('continues a field on the next line (3.1.20, +:)', () =>
    expect(score('cdef gabc|\nw:one two\n+:three four').notes.map((n) => n.marks.lyrics[0]?.text ?? '')).toEqual([
      ...['one', 'two', 'three', 'four'],
      ...Array(4).fill(''),
    ]));
});

describe('text around the tune', () => {
  const TUNE = 'X:1\nT:Air\nM:4/4\nL:1/8\nK:C\ncdef gabc|';
  it('before it, and between tunes, is no music (2.2.3), and it is said once', () => {
    const book = `A little book of airs.\nWritten out for a friend.\n\n${TUNE}\n\nThis one is for two.\n\nX:2\nK:C\nc8|`;
    const s = scoreOfAbc(book);
    expect([s.title, s.notes.length, s.bars.length]).toEqual(['Air', 8, 1]);
    expect(warnings(book).filter((w) => w.includes('no music'))).toHaveLength(1);
    expect(warnings(book).some((w) => w.includes('several tunes'))).toBe(true);
  });
  it('is read on as music after an empty line where it is music', () =>
    expect(scoreOfAbc(`${TUNE}\n\nc2 d2 "C"e2 !trill!f2|`).bars).toHaveLength(2));
  it.each([
    ['s:!p! * !f!', 'symbol lines'],
    ['P:AABB', 'order of parts'],
    ['m:~G2={A}G{F}G', 'macros'],
    ['U:n=!fermata!', 'signs of your own'],
  ])('%s is not followed, and that is said', (field, words) =>
    expect(warnings(`X:1\n${field}\nM:4/4\nL:1/8\nK:C\ncdef gabc|`).some((w) => w.includes(words))).toBe(true),
  );
});

describe('notes', () => {
  it('an accidental holds to the end of the bar, in its octave (4.2)', () =>
    expect(names(score('^f f F =f f|f'))).toEqual(['F♯5', 'F♯5', 'F4', 'F5', 'F5', 'F5']));
  it('double accidentals and naturals (4.2)', () => expect(names(score('^^c __d =e'))).toEqual(['C𝄪5', 'D𝄫5', 'E5']));
  it('an accidental goes over the bar line with a tie, and no further', () => {
    const s = score('^f8-|f4 f4|f8');
    expect(names(s)).toEqual(['F♯5', 'F♯5', 'F5', 'F5']);
    expect(s.notes.map((n) => n.tie)).toEqual(['start', 'stop', null, null]);
    expect(names(score('[^ce]8-|[ce]4 c4|'))).toEqual(['C♯5', 'E5', 'C♯5', 'E5', 'C5']);
  });
  it('rests: seen, not seen, and whole bars (4.5)', () => {
    const s = score('z4 x4|Z2|c8|');
    expect([s.bars.length, s.notes.length]).toEqual([4, 1]);
    expect(s.bars.every((b) => b.length === 4 * s.ticksPerQuarter)).toBe(true);
  });
  it.each([
    ['a>b', [0.75, 0.25]],
    ['a<b', [0.25, 0.75]],
    ['a>>b', [0.875, 0.125]],
    ['a<<b', [0.125, 0.875]],
    ['a2>b', [1.5, 0.25]],
  ])('broken rhythm %s (4.4)', (music, expected) => expect(quarters(score(music))).toEqual(expected));
  // The table of 4.13: p notes in the time of q.
  it.each([
    ['(2ab', '4/4', [2, 3]],
    ['(3abc', '4/4', [3, 2]],
    ['(4abcd', '6/8', [4, 3]],
    ['(5abcde', '4/4', [5, 2]],
    ['(5abcde', '6/8', [5, 3]],
    ['(6abcdef', '4/4', [6, 2]],
    ['(7abcdefg', '3/4', [7, 2]],
    ['(7abcdefg', '9/8', [7, 3]],
    ['(8abcdefga', '4/4', [8, 3]],
    ['(9abcdefgab', '12/8', [9, 3]],
    ['(5:4abcde', '4/4', [5, 4]],
  ] as const)('tuplet %s in %s', (music, meter, [p, q]) => {
    const s = score(music, `M:${meter}\nL:1/8\nK:C`);
    const length = s.notes.reduce((sum, n) => sum + n.duration, 0) / s.ticksPerQuarter;
    expect(length).toBeCloseTo(q / 2, 9);
    expect(s.notes).toHaveLength(p);
  });
  it('tuplets of so many notes, of unequal length, with rests (4.13)', () => {
    expect(quarters(score('(3:2:2G4c2'))).toEqual([4 / 3, 2 / 3]);
    expect(quarters(score('(3:2:4G2A2Bc d'))).toEqual([2 / 3, 2 / 3, 1 / 3, 1 / 3, 0.5]);
    expect(quarters(score('(3::2ab c'))).toEqual([1 / 3, 1 / 3, 0.5]);
    expect(quarters(score('(3zab c')).length).toBe(3);
  });
  it('a chord has the length of its first note times its own (4.17)', () => {
    expect(quarters(score('[C2E2G2]3'))).toEqual([3, 3, 3]);
    expect(quarters(score('[CE]/[GB]3/2'))).toEqual([0.25, 0.25, 0.75, 0.75]);
  });
  it('fingers and signs inside a chord are kept', () =>
    expect(score('[!1!C!3!E!5!G]8|').notes.map((n) => n.marks.fingers.join())).toEqual(
      expect.arrayContaining(['1', '3', '5']),
    ));
  it('grace notes take no time, struck through or not (4.12)', () => {
    const s = score('{gef}c4 {/g}c4|');
    expect(s.notes.filter((n) => n.grace !== null)).toHaveLength(4);
    expect(s.bars[0]?.length).toBe(4 * s.ticksPerQuarter);
  });
  it('slurs, dotted ones too, of which the dot is no staccato (4.11)', () => {
    const s = score('(cd) .(ef) (3gab c.d|');
    expect(s.notes.map((n) => n.marks.slurs.length)).toEqual([1, 1, 1, 1, 0, 0, 0, 0, 0]);
    expect(s.notes.map((n) => n.marks.articulations.join())).toEqual([...Array(8).fill(''), 'staccato']);
  });
});

describe('bar lines and the way through', () => {
  const order = (music: string): readonly number[] => playingOrder(score(music).bars).order;
  it.each([
    ['|: c8 | d8 :|', [0, 1, 0, 1]],
    ['c8 :: d8 :|', [0, 0, 1, 1]],
    ['c8 :|: d8 :|', [0, 0, 1, 1]],
    ['c8 :||: d8 :|', [0, 0, 1, 1]],
    ['|: c8 |1 d8 :|2 e8 |]', [0, 1, 0, 2]],
    ['|: c8 |[1 d8 :|[2 e8 |]', [0, 1, 0, 2]],
    ['|: c8 |1,3 d8 :|2 e8 :| f8 |]', [0, 1, 0, 2, 0, 1, 3]],
    ['|:: c8 ::|', [0, 0, 0]],
  ])('%s (4.8)', (music, expected) => expect(order(music)).toEqual(expected));
  it('a line of one note and a repeat sign is music, not a field', () => {
    expect(order('c4 d4|\nc:|')).toEqual([0, 1, 0, 1]);
    expect(names(score('c4 d4|\nd::\ne8|'))).toEqual(['C5', 'D5', 'D5', 'E5']);
  });
  it('dotted and unseen bar lines are bar lines and leave nothing behind (4.8)', () => {
    const s = score('c8.|d8[|]e8|');
    expect(s.bars).toHaveLength(3);
    expect(s.notes.flatMap((n) => n.marks.articulations)).toEqual([]);
    expect(warnings('X:1\nM:4/4\nL:1/8\nK:C\nc8.|d8[|]e8|')).toEqual([]);
  });
  it('segno and coda by letter (4.14), da capo by name (4.14)', () => {
    expect(score('Sc8|d8|Oe8|').bars.map((b) => [b.signs.segno !== null, b.signs.coda !== null])).toEqual([
      [true, false],
      [false, false],
      [false, true],
    ]);
    expect(order('c8|!fine!d8|e8 !dacapo!|')).toEqual([0, 1, 2, 0, 1]);
  });
});

describe('decorations', () => {
  // 4.14: every name of the standard that says what is played; `left out` are only those of other chapters.
  it.each([
    ...['trill', 'lowermordent', 'uppermordent', 'mordent', 'pralltriller', 'roll', 'turn', 'turnx', 'invertedturn'],
    ...['invertedturnx', 'arpeggio', '>', 'accent', 'emphasis', 'fermata', 'invertedfermata', 'tenuto', '0', '5', '+'],
    ...['plus', 'snap', 'slide', 'wedge', 'upbow', 'downbow', 'open', 'thumb', 'breath', 'pppp', 'mf', 'sfz'],
    ...['crescendo(', '<(', '>(', 'diminuendo)', 'segno', 'coda', 'D.S.', 'D.C.', 'dacoda', 'dacapo', 'fine'],
    ...['shortphrase', 'mediumphrase', 'longphrase', 'trill(', 'trill)', 'editorial', 'courtesy'],
  ])('!%s! is known', (name) => expect(warnings(`X:1\nM:4/4\nL:1/8\nK:C\nc4 d4|!${name}!c4 d4|c8|`)).toEqual([]));
  it.each([
    ['.', 'staccato'],
    ['u', 'up-bow'],
    ['v', 'down-bow'],
  ])('%s before a note (4.14)', (sign, name) => {
    const { marks } = score(`${sign}c8|`).notes[0] ?? {};
    expect(JSON.stringify(marks)).toContain(name);
  });
});

describe('words under the music (5.1)', () => {
  it('break at hyphens; a second hyphen, or one by itself, holds the syllable on', () => {
    expect(syllables('syll-a-ble')).toEqual(['syll', 'a', 'ble', ...Array(5).fill('')]);
    expect(syllables('syll-a--ble')).toEqual(['syll', 'a', '', 'ble', ...Array(4).fill('')]);
    expect(syllables('syll-a -ble')).toEqual(['syll', 'a', '', 'ble', ...Array(4).fill('')]);
  });
  it('hold on by underscores, pass over by stars, join by tildes, keep a hyphen behind a backslash', () => {
    expect(syllables('time__ me')).toEqual(['time', '', '', 'me', ...Array(4).fill('')]);
    expect(syllables('of~the~day * yes')).toEqual(['of the day', '', 'yes', ...Array(5).fill('')]);
    expect(syllables(String.raw`one\-two`)[0]).toBe('one-two');
  });
  it('go on in the next bar at a bar sign, whatever is left of this one', () =>
    expect(syllables('one|two', 'c4d4|e4f4')).toEqual(['one', '', 'two', '']));
  it('a line for each verse', () => {
    const s = score('c4 d4|\nw:one two\nw:three four');
    expect(s.notes.map((n) => n.marks.lyrics.map((l) => `${l.verse} ${l.text}`))).toEqual([
      ['1 one', '2 three'],
      ['1 two', '2 four'],
    ]);
  });
});

describe('voices (7)', () => {
  it('change inside a line', () => {
    const s = score('[V:1] c4 d4| [V:2] C8|\n[V:1] e8| [V:2] D8|', 'M:4/4\nL:1/8\nV:1\nV:2 clef=bass\nK:C');
    expect(s.parts).toHaveLength(2);
    expect(s.bars).toHaveLength(2);
    expect(s.notes.filter((n) => n.part === 'P2').map((n) => n.midi)).toEqual([60, 62]);
  });
  it.each([
    ['treble', 72],
    ['treble-8', 60],
    ['treble+8', 84],
    ['bass-8', 60],
    ['alto', 72],
  ])('under the clef %s the letter c sounds at key %i (4.6)', (clef, midi) =>
    expect(score('c8|', `M:4/4\nL:1/8\nV:1 clef=${clef}\nK:C`).notes[0]?.midi).toBe(midi),
  );
  it('with octave= sound so many octaves higher (4.6)', () =>
    expect(score('c8|', 'M:4/4\nL:1/8\nV:1 clef=treble-8 octave=-1\nK:C').notes[0]?.midi).toBe(48));
  it('of different length end together: the shorter rests', () => {
    const s = score('V:1\nc8|d8|\nV:2\nC8|');
    expect(s.bars).toHaveLength(2);
    expect(compare({ n: (s.bars[1]?.length ?? 0) / s.ticksPerQuarter, d: 1 }, { n: 4, d: 1 })).toBe(0);
    expect(fractionText({ n: 4, d: 1 })).toBe('4');
  });
});
