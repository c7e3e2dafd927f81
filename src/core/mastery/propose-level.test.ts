import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { facets, type Facet } from '../studio';
import { proposeLevel, type Heard } from './propose-level';

const all = new Set<Facet>(facets);
const heard = (list: readonly Facet[], more: Partial<Heard> = {}): Heard => ({
  facets: Object.fromEntries(list.map((f) => [f, true])),
  tempo: null,
  target: 100,
  asked: all,
  heldBefore: false,
  ...more,
});

// Handbook chapter 12: what is heard at each level.
describe('the proposed level', () => {
  it('is ground when nothing was heard', () => expect(proposeLevel(heard([])).level).toBe(0));
  it('climbs as conditions are met', () => {
    expect(proposeLevel(heard(['rhythm'])).level).toBe(1);
    expect(proposeLevel(heard(['notes', 'rhythm', 'fingering'])).level).toBe(2);
    expect(proposeLevel(heard(['notes', 'rhythm', 'fingering', 'joined'])).level).toBe(3);
    const music: readonly Facet[] = ['notes', 'rhythm', 'fingering', 'joined', 'articulation', 'dynamics'];
    expect(proposeLevel(heard(music, { tempo: 100 })).level).toBe(4);
    expect(proposeLevel(heard([...music, 'memory'], { tempo: 100, heldBefore: true })).level).toBe(5);
  });
  it('is held back by the weakest link and names it', () => {
    const without = heard(['rhythm', 'fingering', 'joined', 'articulation', 'dynamics', 'memory'], {
      tempo: 120,
      heldBefore: true,
    });
    expect(proposeLevel(without)).toEqual({ level: 1, because: 'for 2: notes' });
    expect(
      proposeLevel(heard(['notes', 'rhythm', 'fingering', 'joined', 'articulation', 'dynamics'], { tempo: 80 })),
    ).toEqual({
      level: 3,
      because: 'for 4: tempo 100',
    });
  });
  it('asks nothing the section does not ask', () => {
    const asked = new Set<Facet>(['notes', 'rhythm', 'fingering', 'joined']);
    expect(
      proposeLevel(heard(['notes', 'rhythm', 'fingering', 'joined'], { asked, tempo: 98, heldBefore: true })).level,
    ).toBe(5);
  });
  it('never falls when one thing more is heard', () => {
    fc.assert(
      fc.property(
        fc.subarray([...facets]),
        fc.constantFrom(...facets),
        fc.integer({ min: 40, max: 130 }),
        fc.boolean(),
        (list, more, tempo, heldBefore) => {
          const before = proposeLevel(heard(list, { tempo, heldBefore })).level;
          const after = proposeLevel(heard([...list, more], { tempo, heldBefore })).level;
          expect(after).toBeGreaterThanOrEqual(before);
        },
      ),
    );
  });
});
