/**
 * Degrees, resolutions and pedals of the prelude in C, BWV 846, as any harmony textbook gives them (e.g. Aldwell and
 * Schachter, "Harmony and Voice Leading", 1978). Chords, keys and cadences of many pieces are counted in
 * `judgement-of-pieces.test.ts`.
 */
import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { findHarmony, type Harmony } from '@/core/harmony';
import { openPiece } from '@/core/studio';

const harmonyOf = async (name: string): Promise<Harmony> => {
  const opened = await openPiece(readFileSync(`tests/pieces/${name}`), name);
  if (!opened.ok) throw new Error(opened.issue.message);
  return findHarmony(opened.value.read.score);
};

describe('the prelude in C', () => {
  let prelude: Harmony;
  beforeAll(async () => {
    prelude = await harmonyOf('training/prelude-c-whole.abc');
  });
  const first = (bar: number) => prelude.beats.find((b) => b.bar === bar);
  it('is in C from beginning to end', () =>
    expect(prelude.keys).toMatchObject([{ from: 0, to: 34, tonic: 0, mode: 'major' }]));
  it('has its degrees, with a dominant of the dominant in bar 6', () =>
    expect([0, 1, 2, 3, 4, 5, 6, 7].map((bar) => first(bar)?.degree)).toEqual([
      'I',
      'ii42',
      'V65',
      'I',
      'vi6',
      'V42/V',
      'V6',
      'IM42',
    ]));
  it('has its diminished sevenths by their spelling, each of the key', () =>
    expect([13, 21, 27].map((bar) => [first(bar)?.symbol.replace(/\/.*/, ''), first(bar)?.degree])).toEqual([
      ['Bdim7', 'vii°43'],
      ['F#dim7', 'vii°7/V'],
      ['F#dim7', 'vii°7/V'],
    ]));
  it('resolves them', () => {
    const last = prelude.beats.filter((b) => b.bar === 13).pop();
    expect(last?.flags).toEqual(expect.arrayContaining(['diminished', 'resolves']));
  });
  it('ends over two pedals, the dominant and the tonic', () =>
    expect(prelude.pedals.map((p) => p.name)).toEqual(expect.arrayContaining(['G', 'C'])));
});

it('the menuet is in G and the air in A minor', async () => {
  expect((await harmonyOf('minuet-g.abc')).keys).toMatchObject([{ from: 0, to: 15, tonic: 7, mode: 'major' }]);
  expect((await harmonyOf('greensleeves.abc')).keys[0]).toMatchObject({ tonic: 9, mode: 'minor' });
});
