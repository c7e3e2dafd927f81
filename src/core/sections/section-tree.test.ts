import { describe, expect, it } from 'vitest';
import { type Section } from '../studio';
import { joinSections, moveEnds, nextLetter, offsetQuarters, placeSections, splitSection } from './section-tree';
import { scoreOfAbc } from '../studio/abc-for-tests';

const score = scoreOfAbc('X:1\nM:4/4\nL:1/1\nK:C\nC|D|E|F|G|A|B|c|');

const section = (id: string, from: number, to: number, letter = 'A'): Section => ({
  id,
  pieceId: 'p',
  name: id,
  letter,
  fromBar: score.bars[from]?.id ?? '',
  toBar: score.bars[to]?.id ?? '',
  fromOffset: '0',
  toOffset: null,
  parentId: null,
  likeId: null,
  hand: 'all',
  order: from,
  updatedAt: '2026-01-01T00:00:00Z',
});
const place = (...sections: Section[]) => placeSections(score, sections);
const only = (s: Section) => {
  const [placed] = place(s);
  if (!placed) throw new Error('not placed');
  return placed;
};

describe('sections', () => {
  it('are put in playing order, longer ones before those inside', () => {
    expect(place(section('c', 4, 7), section('inner', 0, 1), section('a', 0, 3)).map((p) => p.section.id)).toEqual([
      'a',
      'inner',
      'c',
    ]);
  });
  it('leave out a section whose bars are gone', () =>
    expect(place({ ...section('a', 0, 3), fromBar: 'gone' })).toEqual([]));
  it('move their ends within the piece only', () => {
    expect(moveEnds(score, section('a', 0, 3), 1, 3)).toMatchObject({
      ok: true,
      value: { fromBar: score.bars[1]?.id },
    });
    expect(moveEnds(score, section('a', 0, 3), -1, 3)).toMatchObject({ ok: false, issue: { code: 'section-outside' } });
    expect(moveEnds(score, section('a', 0, 3), 4, 3)).toMatchObject({
      ok: false,
      issue: { code: 'section-upside-down' },
    });
  });
  it('split into two that tile the first, and join back', () => {
    const whole = only(section('a', 0, 3));
    const split = splitSection(score, whole, 2, { id: 'b', letter: 'B' });
    if (!split.ok) throw new Error(split.issue.message);
    const [first, second] = split.value.map(only);
    expect([first?.from, first?.to, second?.from, second?.to]).toEqual([0, 1, 2, 3]);
    if (first && second) expect(joinSections(first, second)).toEqual({ ok: true, value: whole.section });
  });
  it('do not split before their first bar', () =>
    expect(splitSection(score, only(section('a', 2, 3)), 2, { id: 'b', letter: 'B' }).ok).toBe(false));
  it('do not join across a gap', () =>
    expect(joinSections(only(section('a', 0, 1)), only(section('b', 3, 4))).ok).toBe(false));
  it('take the next free letter', () => {
    expect(nextLetter([])).toBe('A');
    expect(nextLetter([section('a', 0, 1, 'A'), section('b', 2, 3, 'A′'), section('c', 4, 5, 'B')])).toBe('C');
  });
  it('read offsets exactly', () => expect(offsetQuarters('3/2')).toEqual({ n: 3, d: 2 }));
});
