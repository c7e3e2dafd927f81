import { describe, expect, it } from 'vitest';
import { barDifficulties } from '../difficulty';
import type { SectionShape } from '../sections';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { orderChunks, orderUnits, type OrderSchool } from './order-chunks';

const scoreOf = (music: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=100\nK:C\n${music}`);
const AABA = 'C D E F | G4 | C D E F | G4 | c B A G | A4 | C D E F | G4 |]';
const PAIRS = [0, 2, 4, 6].map((from) => ({ from, to: from + 1 }));
/** A section of the given phrases, each its first and last bar. */
const section = (letter: string, ...phrases: readonly (readonly [number, number])[]): SectionShape => ({
  name: '',
  letter,
  from: phrases[0]?.[0] ?? 0,
  to: phrases[phrases.length - 1]?.[1] ?? 0,
  like: null,
  phrases: phrases.map(([from, to]) => ({ from, to })),
});
const chunks = (
  music: string,
  sections: readonly SectionShape[],
  school: OrderSchool = 'start',
  level: 'beginner' | 'intermediate' | 'advanced' = 'intermediate',
): string[] => orderChunks(scoreOf(music), sections, { school, level }).map((c) => `${c.kind} ${c.name}`);

// Handbook chapter 10: schools of order [common practice].
describe('the order in which units are learned', () => {
  const order = (school: OrderSchool, music = AABA, units: readonly { from: number; to: number }[] = PAIRS) =>
    orderUnits(units, school, scoreOf(music));
  it('from the start: the beginning, then what comes next', () =>
    expect(order('start').map((u) => u.why)).toEqual([
      'where the piece begins',
      ...Array(3).fill('next in the piece'),
    ]));
  it('from the end: the last first, every other leads into what is known', () => {
    expect(order('end').map((u) => u.index)).toEqual([3, 2, 1, 0]);
    expect(order('end').map((u) => u.why)).toEqual([
      'the end first: every run then leads to what is known',
      ...Array(3).fill('leads into what is known'),
    ]);
  });
  it('from both ends inwards; the middle one of an odd number comes once', () => {
    expect(order('ends').map((u) => u.index)).toEqual([0, 3, 1, 2]);
    expect(order('ends', AABA, PAIRS.slice(0, 3)).map((u) => [u.index, u.why])).toEqual([
      [0, 'from the beginning inwards'],
      [2, 'from the end inwards'],
      [1, 'from the beginning inwards'],
    ]);
    expect(order('ends', AABA, [])).toEqual([]);
  });
  it('by corners: the unit that holds the hardest bar, wherever in it, then the others as they come', () => {
    const hard = "C2 D2 | ^c/_e'/^C/_e'/ ^c/_e'/^C/_e'/ | G2 A2 | E2 F2 | z4 | C2 D2 |]";
    const found = order('corners', hard, PAIRS.slice(0, 3));
    expect(found.map((u) => u.index)).toEqual([0, 1, 2]);
    expect(found[0]?.why).toBe('a corner: a leap of 26 semitones');
    // Back from the height of the bar before is a leap, too.
    expect(found.slice(1).map((u) => u.why)).toEqual(['a leap of 20 semitones into the bar', 'few notes']);
    const backwards = order('corners', hard, [
      { from: 4, to: 5 },
      { from: 2, to: 3 },
      { from: 0, to: 1 },
    ]);
    expect(backwards.map((u) => u.index)).toEqual([2, 1, 0]);
    // The reason is that of the hardest bar of the two.
    const quick = 'C D E F | C D E F | C/D/E/F/ G/A/B/c/ | C D E F |]';
    const [first] = order('corners', quick, PAIRS.slice(0, 2));
    expect(first?.index).toBe(1);
    expect(first?.why).toContain(barDifficulties(scoreOf(quick))[2]?.reasons[0]?.text);
  });
  it('by sameness: what pays for most first, with how much; copies last', () => {
    const found = order('sameness');
    expect(found.map((u) => u.index)).toEqual([0, 2, 1, 3]);
    const shares = found.slice(0, 2).map((u) => Number(/with this (\d+) %/.exec(u.why)?.[1]));
    expect(shares[0]).toBeGreaterThan(25);
    expect(shares[1]).toBeGreaterThan(shares[0] ?? 100);
    expect(found.slice(2).map((u) => u.why)).toEqual(['like what is already learned', 'like what is already learned']);
  });
});

describe('chunks in learning order', () => {
  it('join inside a phrase as soon as both sides are there, then phrase, section, piece', () => {
    const plain = 'C D E F | G A B c | c B A G | F E D C | E F G A | B c d e | e d c B | A G F E |]';
    expect(chunks(plain, [section('A', [0, 3], [4, 5]), section('B', [6, 7])])).toEqual([
      'unit bars 1–2',
      'unit bars 3–4',
      'join bars 1–4',
      'unit bars 5–6',
      'section bars 1–6',
      'unit bars 7–8',
      'piece the piece',
    ]);
  });
  it('a join stands between neighbours, not between what happens to be learned in turn', () => {
    const plain = 'C D E F | G A B c | c B A G | F E D C | E F G A | B c d e | e d c B | A G F E |]';
    expect(chunks(plain, [section('A', [0, 5])], 'ends')).toEqual([
      'unit bars 1–2',
      'unit bars 5–6',
      'unit bars 3–4',
      'join bars 1–4',
      'join bars 3–6',
      'phrase bars 1–6',
      'piece the piece',
    ]);
  });
  it('one bar for a beginner, two, or four for the advanced; a short rest of a phrase joins the one before', () => {
    const five = 'C D E F | G A B c | c B A G | F E D C | E F G A |]';
    const units = (level: 'beginner' | 'intermediate' | 'advanced', music = five, last = 4) =>
      orderChunks(scoreOf(music), [section('A', [0, last])], { school: 'start', level })
        .filter((c) => c.kind === 'unit')
        .map((c) => [c.from, c.to]);
    expect(units('beginner')).toEqual([0, 1, 2, 3, 4].map((b) => [b, b]));
    expect(units('intermediate')).toEqual([
      [0, 1],
      [2, 3],
      [4, 4],
    ]);
    expect(units('advanced')).toEqual([[0, 4]]);
    expect(units('advanced', `${five.slice(0, -2)}| A G F E |]`, 5)).toEqual([
      [0, 3],
      [4, 5],
    ]);
    expect(chunks(five, [section('A', [0, 0])], 'start', 'beginner')[0]).toBe('unit bar 1');
  });
  it('name the first of equal units, in the order of learning; bars without notes are no copies', () => {
    const order = (school: OrderSchool, music = AABA) =>
      orderChunks(scoreOf(music), [section('A', [0, 3]), section('B', [4, 7])], { school, level: 'intermediate' });
    const copies = (list: ReturnType<typeof order>) =>
      list.flatMap((c) => (c.copyOf === null ? [] : [`${c.name} of ${c.copyOf}: ${c.why}`]));
    expect(copies(order('start'))).toEqual([
      'bars 3–4 of bars 1–2: the same as bars 1–2',
      'bars 7–8 of bars 1–2: the same as bars 1–2',
    ]);
    expect(copies(order('end'))[0]).toBe('bars 3–4 of bars 7–8: the same as bars 7–8');
    expect(copies(order('start', 'z4 | z4 | z4 | z4 | C D E F | G4 | z4 | G A B c |]'))).toEqual([]);
    // One bar with rests only makes no copy of another that has notes besides.
    expect(copies(order('start', 'z4 | C4 | z4 | C4 | D4 | z4 | E4 | z4 |]'))).toHaveLength(1);
  });
});
