import type { BarSpan } from './strip-parts';

/** What a key makes of a selection: the bars chosen next, and the end that stays when Shift is held. */
export interface KeyMove {
  readonly selection: BarSpan | null;
  readonly anchor: number | null;
}

const MOVES: Readonly<Record<string, (at: number, last: number) => number>> = {
  ArrowRight: (at) => at + 1,
  ArrowLeft: (at) => at - 1,
  Home: () => 0,
  End: (_, last) => last,
};

export const spanBetween = (a: number, b: number): BarSpan => (a <= b ? [a, b] : [b, a]);

/** The end of the selection that a key moves. */
function leadOf(key: string, selection: BarSpan, fixed: number | null): number {
  if (fixed !== null) return fixed === selection[0] ? selection[1] : selection[0];
  return key === 'ArrowLeft' || key === 'Home' ? selection[0] : selection[1];
}

/**
 * The arrow keys choose the next bar, Home and End the ends, with Shift up to there; Escape chooses none. Null for any
 * other key.
 *
 * @example moveByKey('ArrowRight', false, [2, 2], 2, 7) // → { selection: [3, 3], anchor: 3 }
 */
export function moveByKey(
  key: string,
  extend: boolean,
  selection: BarSpan | null,
  anchor: number | null,
  last: number,
): KeyMove | null {
  if (key === 'Escape') return { selection: null, anchor };
  const move = MOVES[key];
  if (!move || last < 0) return null;
  if (!selection) {
    const first = key === 'End' ? last : 0;
    return { selection: [first, first], anchor: first };
  }
  const fixed = extend ? (anchor ?? selection[0]) : null;
  const to = Math.max(0, Math.min(last, move(leadOf(key, selection, fixed), last)));
  return fixed === null ? { selection: [to, to], anchor: to } : { selection: spanBetween(fixed, to), anchor: fixed };
}
