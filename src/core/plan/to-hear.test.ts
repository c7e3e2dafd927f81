import { describe, expect, it } from 'vitest';
import { section, standing } from '../commands/stored-for-tests';
import type { FoldedStanding } from '../mastery';
import type { WalkedPlace } from '../way';
import { sectionsToHear, type PieceToHear } from './to-hear';

const NOW = '2026-05-20T15:00:00.000Z';
const known = (list: readonly FoldedStanding[]) => new Map(list.map((s) => [s.key, s]));
const fading = (due: string, stabilityInDays: number) => ({ due, stabilityInDays });
const heard = (id: string, more: Partial<FoldedStanding>): FoldedStanding => ({ ...standing('s', id, 4), ...more });
const plain = (...ids: readonly string[]) => ids.map((id, order) => ({ id, parentId: null, order }));
const hear = (pieces: readonly PieceToHear[], there: readonly FoldedStanding[] = [], given: readonly string[] = []) =>
  sectionsToHear(pieces, known(there), 's', new Set(given), NOW);

describe('sections to hear', () => {
  const sections = [
    ...plain('new', 'fresh', 'due', 'risk', 'given').map((s) => ({ ...s, order: 10 - s.order })),
    { id: 'inside', parentId: 'new', order: 1 },
  ];
  const there = [
    heard('fresh', { at: '2026-05-19T15:00:00.000Z', fading: fading('2026-07-01T00:00:00.000Z', 40) }),
    heard('due', { at: '2026-05-10T15:00:00.000Z', fading: fading('2026-05-20T15:00:00.000Z', 10) }),
    heard('risk', { at: '2026-01-10T15:00:00.000Z', fading: fading('2026-01-20T15:00:00.000Z', 2) }),
    heard('given', { level: null }),
  ];
  const order = hear([{ pieceId: 'p', sections }], there, ['given']);
  it('are what was given, then at risk, due, new, the rest; what lies inside another is not one of them', () =>
    expect(order.map((h) => [h.sectionId, h.state])).toEqual([
      ['given', 'assigned'],
      ['risk', 'at-risk'],
      ['due', 'due'],
      ['new', 'new'],
      ['fresh', 'fresh'],
    ]));
  it('say how likely they still hold, only where something can fade', () => {
    expect(order.find((h) => h.sectionId === 'due')?.chance).toBeCloseTo(0.9, 6);
    expect(order.find((h) => h.sectionId === 'given')?.chance).toBeNull();
  });
  it('keep the order of the piece within a state; ground counts as new, what another was heard on does not', () => {
    const list = plain('b', 'a', 'c').map((s) => (s.id === 'a' ? { ...s, order: -1 } : s));
    const states = hear([{ pieceId: 'p', sections: list }], [heard('c', { level: 0 }), standing('other', 'a', 5)]);
    expect(states.map((h) => [h.sectionId, h.state])).toEqual([
      ['a', 'new'],
      ['b', 'new'],
      ['c', 'new'],
    ]);
  });
  it('stay with their piece; the piece with the most urgent comes first', () => {
    const pieces = [
      { pieceId: 'p', sections: plain('a', 'b') },
      { pieceId: 'q', sections: plain('c', 'd') },
    ];
    expect(hear(pieces, [], ['d']).map((h) => h.sectionId)).toEqual(['d', 'c', 'a', 'b']);
  });
});

describe('chunks to hear', () => {
  const place = (id: string, kind: 'chunk' | 'join' | 'section', inside: string | null): WalkedPlace => ({
    section: section(id, 0, 1, { kind, parentId: inside, name: id }),
    from: 0,
    to: 1,
    inside,
    why: '',
    aside: null,
    deviates: false,
  });
  const places = [
    place('1', 'chunk', 'a'),
    place('2', 'chunk', 'a'),
    place('1 into 2', 'join', 'a'),
    place('a', 'section', null),
    place('3', 'chunk', 'b'),
    place('b', 'section', null),
  ];
  const piece = { pieceId: 'p', sections: plain('a', 'b'), places };
  const ids = (...args: Parameters<typeof hear> extends [unknown, ...infer R] ? R : never) =>
    hear([piece], ...args).map((h) => `${h.sectionId} ${h.state}`);
  it('are the next three of the way, under their section; sections come when their time is there', () =>
    expect(ids()).toEqual(['1 next', '2 next', '1 into 2 next']));
  it('move on as chunks are heard: steady is behind', () =>
    expect(ids([heard('1', { level: 2 }), heard('2', { level: 2 })])).toEqual(
      ['1 into 2 next', '3 next', 'a new', 'b new'].slice(0, 2),
    ));
  it('of what was given come first, wherever they stand on the way', () =>
    expect(ids([], ['3']).slice(0, 2)).toEqual(['3 assigned', '1 next']));
  it('of a section that was heard joined are behind with it', () =>
    expect(ids([heard('a', { level: 3, fading: null })])).toEqual(['3 next', 'a fresh']));
});
