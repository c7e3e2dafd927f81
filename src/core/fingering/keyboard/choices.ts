/** What every choice of fingers would cost: how far the one that was taken is ahead. */
import { choicesOf, isLine, stepCost, tablesOf, tripleCost, type Assignment, type HandEvent } from './solve';
import type { Spans } from './spans';
import type { Hand } from './standard';

/** What a choice of fingers at an event costs at the least, whatever the others are. */
export interface Choice {
  readonly fingers: Assignment;
  readonly cost: number;
}

/**
 * Every choice of every event with the least cost of a whole fingering that has it: the programme of `solveHand` run
 * from both ends.
 */
export function leastWith(events: readonly HandEvent[], hand: Hand, spans: Spans): readonly (readonly Choice[])[] {
  const choices = choicesOf(events, hand, spans);
  const { assignments, grips, single } = choices;
  const tables = tablesOf(events, choices, spans);
  const lineAt = (i: number): boolean => {
    const [a, b, c] = events.slice(i - 2, i + 1);
    return i >= 2 && a !== undefined && b !== undefined && c !== undefined && isLine(a, b, c);
  };
  /** Of event i after choice p of the one before: what its choice c costs. */
  const moves = events.map((event, i) =>
    (grips[i - 1] ?? []).map((b) =>
      (grips[i] ?? []).map((h, c) => stepCost(event, b, h, spans) + (single[i]?.[c] ?? 0)),
    ),
  );
  const triple = (i: number, k: number, p: number, c: number): number => {
    const [x, y, z] = [grips[i - 2]?.[k], grips[i - 1]?.[p], grips[i]?.[c]];
    return x && y && z && lineAt(i) ? tripleCost(x, y, z, spans) : 0;
  };
  const least = (count: number, of: (k: number) => number): number => {
    let best = Infinity;
    for (let k = 0; k < count; k += 1) best = Math.min(best, of(k));
    return best;
  };
  const count = (i: number): number => grips[i]?.length ?? 0;
  // after[i][p][c]: what is behind event i costs, with choices p of i - 1 and c of i.
  const after: number[][][] = [];
  for (let i = events.length - 1; i >= 1; i -= 1)
    after[i] = Array.from({ length: count(i - 1) }, (_p, p) =>
      Array.from({ length: count(i) }, (_c, c) =>
        i === events.length - 1
          ? 0
          : least(
              count(i + 1),
              (d) => (moves[i + 1]?.[c]?.[d] ?? 0) + triple(i + 1, p, c, d) + (after[i + 1]?.[c]?.[d] ?? 0),
            ),
      ),
    );
  const both = (i: number, p: number, c: number): number => {
    const table = tables[i];
    return (table?.cost[p * table.width + c] ?? 0) + (after[i]?.[p]?.[c] ?? 0);
  };
  return events.map((_, i) =>
    (assignments[i] ?? []).map((fingers, c) => ({
      fingers,
      cost:
        events.length === 1
          ? (single[0]?.[c] ?? 0)
          : i === 0
            ? least(count(1), (d) => both(1, c, d))
            : least(count(i - 1), (p) => both(i, p, c)),
    })),
  );
}
