import { expect, it } from 'vitest';
import { recentlyUsed } from './recently-used';

it('keeps no more than it may, and what was used last', () => {
  const memory = recentlyUsed<number>(2);
  memory.put('a', 1);
  memory.put('b', 2);
  expect(memory.get('a')).toBe(1);
  memory.put('c', 3);
  expect([memory.get('a'), memory.get('b'), memory.get('c'), memory.size()]).toEqual([1, undefined, 3, 2]);
});
