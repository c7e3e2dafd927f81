import { describe, expect, it } from 'vitest';
import { moveByKey, spanBetween } from './strip-selection';

const LAST = 7;
const pressed = (key: string, selection: readonly [number, number] | null, anchor: number | null, shift = false) =>
  moveByKey(key, shift, selection, anchor, LAST);

describe('the keys of the strip', () => {
  it('begin at the first bar, or with End at the last', () => {
    expect(pressed('ArrowRight', null, null)).toEqual({ selection: [0, 0], anchor: 0 });
    expect(pressed('End', null, null)).toEqual({ selection: [7, 7], anchor: 7 });
  });

  it('go on from the nearer end of what is chosen, and stop at the ends of the piece', () => {
    expect(pressed('ArrowRight', [2, 4], 2)?.selection).toEqual([5, 5]);
    expect(pressed('ArrowLeft', [2, 4], 2)?.selection).toEqual([1, 1]);
    expect(pressed('ArrowRight', [7, 7], 7)?.selection).toEqual([7, 7]);
    expect(pressed('ArrowLeft', [0, 0], 0)?.selection).toEqual([0, 0]);
    expect(pressed('Home', [3, 3], 3)?.selection).toEqual([0, 0]);
  });

  it('with Shift keep the end where it began, and turn round it', () => {
    const right = pressed('ArrowRight', [3, 3], 3, true);
    expect(right).toEqual({ selection: [3, 4], anchor: 3 });
    expect(pressed('ArrowLeft', [3, 4], 3, true)?.selection).toEqual([3, 3]);
    expect(pressed('ArrowLeft', [3, 3], 3, true)?.selection).toEqual([2, 3]);
    expect(pressed('ArrowLeft', [2, 3], 3, true)?.selection).toEqual([1, 3]);
    expect(pressed('End', [3, 3], 3, true)?.selection).toEqual([3, 7]);
  });

  it('choose none with Escape, and leave every other key alone', () => {
    expect(pressed('Escape', [1, 2], 1)?.selection).toBeNull();
    expect(pressed('a', [1, 2], 1)).toBeNull();
    expect(moveByKey('ArrowRight', false, null, null, -1)).toBeNull();
  });

  it('orders the two ends of a drag', () => {
    expect(spanBetween(5, 2)).toEqual([2, 5]);
    expect(spanBetween(2, 5)).toEqual([2, 5]);
  });
});
