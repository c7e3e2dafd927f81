import { describe, expect, it } from 'vitest';
import { EIGHT, section } from '../commands/stored-for-tests';
import type { Level } from '../studio';
import { nextOnWay, type WalkedPlace } from './index';

const place = (id: string, from: number, to: number, more: object = {}): WalkedPlace => ({
  section: section(id, from, to, { kind: 'chunk', letter: '', name: `bars ${from + 1}–${to + 1}`, ...more }),
  from,
  to,
  inside: null,
  why: '',
  aside: null,
  deviates: false,
});
const A = section('a', 0, 3);
const PLACES: readonly WalkedPlace[] = [
  place('x', 0, 1),
  { ...place('y', 2, 3), why: 'comes twice' },
  place('j', 1, 2, { kind: 'join', name: '2 into 3' }),
  { ...place('a', 0, 3), section: A },
];
const after = (levels: Readonly<Record<string, Level>>, heard: string | null) =>
  nextOnWay(EIGHT, PLACES, (id) => levels[id] ?? null, heard).says;

describe('what comes next after a hearing', () => {
  it('is the next place with its reason once the heard one is steady', () => {
    expect(after({ x: 2 }, 'x')).toBe('Next on the way is bars 3–4: comes twice.');
    expect(after({ x: 2, y: 3 }, 'y')).toBe('Next on the way is the join 2 into 3.');
    expect(after({ x: 2, y: 3, j: 2 }, 'j')).toBe('Next on the way is A, bars 1–4.');
  });
  it('is the same place until then, and said so', () => {
    expect(after({ x: 1 }, 'x')).toBe('Go on with bars 1–2 until level 2, steady.');
    expect(after({ x: 2, y: 2, j: 2, a: 3 }, 'a')).toBe('Go on with A, bars 1–4 until level 4, at tempo.');
  });
  it('is nothing at the end', () => {
    expect(after({ x: 2, y: 2, j: 2, a: 4 }, 'a')).toBe('The whole way is behind: the piece is there.');
    expect(after({}, null)).toBe('Next on the way is bars 1–2.');
  });
});
