import fc from 'fast-check';
import { expect, it } from 'vitest';
import { prefixMax } from './prefix-max';

it('gives the greatest value noted up to a place, as a plain search does', () => {
  const notes = fc.array(fc.tuple(fc.nat(30), fc.nat(99)), { maxLength: 40 });
  fc.assert(
    fc.property(notes, fc.nat(40), (noted, place) => {
      const tree = prefixMax(31);
      for (const [at, value] of noted) tree.note(at, value);
      expect(tree.upTo(place)).toBe(Math.max(0, ...noted.flatMap(([at, value]) => (at <= place ? [value] : []))));
    }),
  );
});
