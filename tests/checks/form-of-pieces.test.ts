/**
 * Repeats, sequences and rhythm families of public-domain pieces as any theory book for beginners gives them (common
 * knowledge of the tunes). Form is checked in `judgement-of-pieces.test.ts`. Bars count from 0, a pick-up is bar 0.
 */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { differencesInWords, differencesOf, findSameness, payOff, rhythmFamilies } from '@/core/sameness';
import { proposeSections } from '@/core/sections';
import type { Score } from '@/core/score';
import { openPiece } from '@/core/studio';

const score = async (name: string): Promise<Score> => {
  const opened = await openPiece(readFileSync(`tests/pieces/${name}`), name);
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.read.score;
};

describe('sections', () => {
  it('begins inner phrases of a piece with a pick-up before the bar line', async () => {
    const sections = proposeSections(await score('amazing-grace.abc'));
    const phrases = sections.flatMap((section) => section.phrases);
    expect(phrases.slice(1).map((p) => p.upbeatQuarters)).toEqual(['1', '1', '1']);
  });
});

describe('what comes again', () => {
  it('the last line of Ode to Joy is its second', async () =>
    expect(findSameness(await score('ode.abc')).repeats).toContainEqual(
      expect.objectContaining({ kind: 'exact', a: [4, 7], b: [12, 15], part: null }),
    ));
  it('the second line of Ode to Joy ends otherwise', async () => {
    const s = await score('ode.abc');
    const changed = findSameness(s).repeats.find((r) => r.kind === 'changed' && r.b[0] === 4);
    expect(changed).toMatchObject({ a: [0, 3], b: [4, 7] });
    expect(changed && differencesOf(s, changed).map((d) => d.bar)).toEqual([7]);
    expect(changed && differencesInWords(s, changed)).toBe('the same but for all of bar 8');
  });
  it('the right hand of the minuet comes again for six bars, and as a whole with another close', async () => {
    const { repeats } = findSameness(await score('minuet-g.abc'));
    expect(repeats).toContainEqual(expect.objectContaining({ kind: 'exact', staff: 1, a: [0, 5], b: [8, 13] }));
    expect(repeats).toContainEqual(expect.objectContaining({ kind: 'changed', staff: 1, a: [0, 7], b: [8, 15] }));
  });
  it('the minuet steps down in a sequence, bar 6 a step below bar 5', async () =>
    expect(findSameness(await score('minuet-g.abc')).repeats).toContainEqual(
      expect.objectContaining({ kind: 'sequence', a: [4, 4], b: [5, 5], steps: -1 }),
    ));
  it('Lightly Row has a sequence of two bars, a step higher', async () =>
    expect(findSameness(await score('lightly-row.abc')).repeats).toContainEqual(
      expect.objectContaining({ kind: 'sequence', a: [8, 9], b: [10, 11], steps: 1 }),
    ));
  it('the exercise is one sequence of eight steps up', async () =>
    expect(findSameness(await score('hanon-1.abc')).repeats[0]).toMatchObject({
      kind: 'sequence',
      a: [0, 0],
      b: [1, 1],
      steps: 1,
      times: 8,
      part: null,
    }));
  it('the ground of the canon never changes', async () =>
    expect(findSameness(await score('pachelbel-ground.abc')).ostinatos).toEqual([
      { part: 'P1', staff: 2, from: 0, to: 7, period: 2 },
    ]));
  it('the middle of Twinkle is two bars twice', async () =>
    expect(findSameness(await score('twinkle.abc')).repeats).toContainEqual(
      expect.objectContaining({ kind: 'exact', a: [4, 5], b: [6, 7] }),
    ));
});

describe('rhythm families', () => {
  it('Twinkle has two, and learning one bar of each pays for most of it', async () => {
    const s = await score('twinkle.abc');
    expect(rhythmFamilies(s).map((f) => [f.bars, f.count])).toEqual([
      [[0, 2, 4, 6, 8, 10], '1 2 3 4'],
      [[1, 3, 5, 7, 9, 11], '1 2 3 (4)'],
    ]);
    expect(payOff(s)[1]?.sharePlayed).toBeGreaterThan(0.6);
  });
  it('the theme of the Surprise symphony has two but for its last bar', async () =>
    expect(rhythmFamilies(await score('surprise.abc')).map((f) => f.bars)).toEqual([[0, 2, 4, 6], [1, 3, 5], [7]]));
});
