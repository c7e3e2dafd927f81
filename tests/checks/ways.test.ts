/** Ways through pieces against those written by hand before: the order in which phrases are first met. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { analysisOf } from '@/core/analysis';
import { usualPlayer } from '@/core/players';
import { openPiece } from '@/core/studio';
import { buildPlaces, schoolFor, type WayPlace } from '@/core/way';
import { WAYS_BY_HAND, type WayByHand } from '../ways/ways';

type Bars = readonly [number, number];

const phrasesOf = (way: WayByHand): readonly Bars[] =>
  way.phrases.split(' ').map((text) => {
    const [from = 1, to = 1] = text.split('-').map(Number);
    return [from - 1, to - 1];
  });

/**
 * When a phrase is first met: the first step of all hands that begins with it or inside it, joins and the whole piece
 * aside; of phrases met in one step the earlier first.
 */
function firstMet(places: readonly WayPlace[], [from, to]: Bars): number {
  const at = places.findIndex(
    ({ chunk }) =>
      chunk.hand === 'all' &&
      chunk.kind !== 'join' &&
      chunk.kind !== 'piece' &&
      ((chunk.from >= from && chunk.from <= to) || (chunk.from <= from && chunk.to >= to)),
  );
  return (at < 0 ? places.length : at) + from / 1000;
}

/** Kendall's tau of an order against 0, 1, 2, …: pairs in order less pairs out of order, of all pairs. */
function kendallsTau(order: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < order.length; i += 1)
    for (let j = i + 1; j < order.length; j += 1) sum += Math.sign((order[j] ?? 0) - (order[i] ?? 0));
  return (2 * sum) / (order.length * (order.length - 1));
}

describe('the measure', () => {
  it('is 1 for the same order, -1 for the reverse, and falls by two pairs for a swap', () => {
    expect(kendallsTau([0, 1, 2, 3])).toBe(1);
    expect(kendallsTau([3, 2, 1, 0])).toBe(-1);
    expect(kendallsTau([1, 0, 2, 3])).toBeCloseTo(4 / 6);
  });
});

describe('ways as a teacher would order them', () => {
  it.each(WAYS_BY_HAND.map((way) => [`${way.file} ${way.school ?? way.level}`, way] as const))(
    '%s: phrases in nearly the same order',
    async (_, way) => {
      const bytes = new Uint8Array(readFileSync(`${import.meta.dirname}/../${way.file}`));
      const opened = await openPiece(bytes, way.file);
      if (!opened.ok) throw new Error(opened.issue.message);
      const { score } = opened.value.read;
      const places = buildPlaces(
        analysisOf(score, { ...usualPlayer(score), instrument: way.instrument }),
        way.level,
        schoolFor(way.school, way.level),
      );
      const order = phrasesOf(way).map((bars) => firstMet(places, bars));
      expect(kendallsTau(order), order.join(' ')).toBeGreaterThanOrEqual(0.8);
    },
  );
});
