import { describe, expect, it } from 'vitest';
import type { Facet } from '../studio';
import { NEAR_TARGET, proposeLevel, type Heard } from './propose-level';

const ALL: readonly Facet[] = ['notes', 'rhythm', 'fingering', 'joined', 'articulation', 'dynamics', 'memory'];
const heard = (facets: readonly Facet[], more: Partial<Heard> = {}): Heard => ({
  facets: Object.fromEntries(facets.map((f) => [f, true])),
  tempo: 100,
  target: 100,
  asked: new Set(ALL.filter((f) => f !== 'memory')),
  heldBefore: false,
  ...more,
});
const level = (h: Heard) => proposeLevel(h).level;

describe('the level of what was heard, at its edges', () => {
  it('is ground only where nothing at all was heard', () => {
    expect(proposeLevel(heard([], { tempo: null }))).toEqual({ level: 0, because: 'nothing heard yet' });
    expect(level(heard([], { tempo: 60 }))).toBe(1);
    expect(level({ ...heard([], { tempo: null }), facets: { notes: false } })).toBe(0);
    expect(level(heard(['notes'], { tempo: null }))).toBe(1);
  });
  it('needs a tempo for the fourth, as near as three in a hundred', () => {
    const played = ALL.slice(0, 6);
    expect(level(heard(played, { tempo: null }))).toBe(3);
    expect(level(heard(played, { tempo: 100 * NEAR_TARGET }))).toBe(4);
    expect(level(heard(played, { tempo: 100 * NEAR_TARGET - 0.1 }))).toBe(3);
    expect(proposeLevel(heard(played, { tempo: 80 })).because).toContain('tempo 100');
    expect(proposeLevel(heard(played, { tempo: null })).because).toContain('a tempo taken');
  });
  it('needs a later lesson for the fifth, and memory only where it is asked', () => {
    const played = ALL.slice(0, 6);
    expect(proposeLevel(heard(played)).because).toContain('a later lesson');
    expect(level(heard(played, { heldBefore: true }))).toBe(5);
    const asked = new Set<Facet>(ALL);
    expect(level(heard(played, { heldBefore: true, asked }))).toBe(4);
    expect(level(heard(ALL, { heldBefore: true, asked }))).toBe(5);
  });
  it('asks for nothing that the section does not ask', () => {
    const asked = new Set<Facet>(['notes', 'rhythm', 'fingering', 'joined']);
    expect(level(heard(['notes', 'rhythm', 'fingering', 'joined'], { asked }))).toBe(4);
    expect(level(heard(['notes', 'rhythm', 'fingering'], { asked }))).toBe(2);
    expect(level(heard(['notes', 'rhythm'], { asked }))).toBe(1);
  });
});
