import { describe, expect, it } from 'vitest';
import type { FingerMark } from '@/core/studio';
import { fingersOnTheWay } from './fingers-on-the-way';

const shown = (finger: string): ReadonlyMap<string, FingerMark> =>
  new Map([
    [
      'n1',
      {
        id: 'f',
        pieceId: 'p',
        studentId: null,
        source: 'teacher',
        kind: 'finger',
        noteId: 'n1',
        finger,
        updatedAt: '2026-01-01T00:00:00.000Z',
      },
    ],
  ]);
const typed = () => {
  const way = fingersOnTheWay();
  way.typed('n1', '3', 'full');
  return way;
};

describe('a finger on its way', () => {
  it('has arrived when it is shown, and not before', () => {
    const way = typed();
    way.shown(shown('2'));
    expect(way.arrived('full')).toBe(false);
    way.shown(shown('3'));
    expect(way.arrived('full')).toBe(true);
  });
  it('has arrived, once stored, with whatever is shown next: undone meanwhile, nothing waits for it', () => {
    const way = typed();
    way.stored('n1');
    expect(way.arrived('full')).toBe(false);
    way.shown(new Map());
    expect(way.arrived('full')).toBe(true);
  });
  it('that was refused, or is of another variant, is not waited for', () => {
    const refused = typed();
    refused.refused('n1');
    expect(refused.arrived('full')).toBe(true);
    expect(typed().arrived('simple')).toBe(true);
  });
  it('is the one typed last', () => {
    const way = typed();
    way.typed('n1', '4', 'full');
    way.shown(shown('3'));
    expect(way.arrived('full')).toBe(false);
    way.shown(shown('4'));
    expect(way.arrived('full')).toBe(true);
  });
});
