import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Level, StudioEvent } from '../studio';
import { foldEvents, standingKey } from './fold-events';

const level = (id: string, at: string, to: Level, proposed: Level | null = null): StudioEvent => ({
  id,
  at,
  kind: 'level',
  studentId: 's',
  pieceId: 'p',
  sectionId: 'a',
  level: to,
  proposed,
  tempo: null,
  note: '',
});
const at = (n: number): string => `2026-01-01T00:00:${String(n).padStart(2, '0')}.000Z`;
const standing = (events: readonly StudioEvent[]) => foldEvents(events).standings.get(standingKey('s', 'a'));

const anyEvents = fc
  .array(
    fc.record({
      n: fc.integer({ min: 0, max: 59 }),
      level: fc.integer({ min: 0, max: 5 }),
      what: fc.constantFrom('level', 'level', 'retract', 'restore'),
    }),
    { maxLength: 20 },
  )
  .map((list) =>
    list.map(({ n, level: to, what }, i): StudioEvent => {
      if (what === 'level') return level(`e${i}`, at(n), to as Level);
      return {
        id: `e${i}`,
        at: at(n),
        kind: what === 'retract' ? 'retract' : 'restore',
        target: `e${Math.max(0, i - 1)}`,
      };
    }),
  );

describe('folding records', () => {
  it('gives no standing without records', () => expect(standing([])).toBeUndefined());
  it('takes the latest level, whatever order they come in', () => {
    expect(standing([level('b', at(2), 3), level('a', at(1), 1)])?.level).toBe(3);
  });
  it('keeps the whole history', () =>
    expect(standing([level('a', at(1), 1), level('b', at(2), 3)])?.history.map((e) => e.level)).toEqual([1, 3]));
  it('notes when the teacher overruled the proposal', () =>
    expect(standing([level('a', at(1), 4, 3)])?.overruled).toBe(true));
  it('undoes by an event and brings back by another', () => {
    const events = [level('a', at(1), 1), level('b', at(2), 3)];
    const undone: StudioEvent[] = [...events, { id: 'u', at: at(3), kind: 'retract', target: 'b' }];
    expect(standing(undone)?.level).toBe(1);
    expect(standing([...undone, { id: 'r', at: at(4), kind: 'restore', target: 'b' }])?.level).toBe(3);
  });
  it('does not depend on the order of arrival', () => {
    fc.assert(
      fc.property(
        anyEvents.chain((events) =>
          fc.tuple(
            fc.constant(events),
            fc.shuffledSubarray(events, { minLength: events.length, maxLength: events.length }),
          ),
        ),
        ([events, shuffled]) => {
          expect(foldEvents(shuffled)).toEqual(foldEvents(events));
        },
      ),
    );
  });
  it('is the same when records of two devices are joined twice', () => {
    fc.assert(
      fc.property(anyEvents, fc.nat(20), (events, cut) => {
        expect(foldEvents([...events.slice(0, cut), ...events, ...events.slice(cut)])).toEqual(foldEvents(events));
      }),
    );
  });
});
