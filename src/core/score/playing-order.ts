/**
 * The order in which bars sound: repeats (nested too), endings, da capo, dal segno, coda, fine.
 *
 * Rules, common practice:
 * - a repeat sign without a start goes back to just after the previous repeat, or to the beginning;
 * - an ending is played in the passes it names; an only ending that closes with a repeat sign is followed
 *   by one more pass without it;
 * - a jump is taken once, after the repeats at its bar are done; after it repeats are not taken again and
 *   the last ending is played, unless the sign says "with repeats" or the caller asks for them;
 * - fine and to-coda count only after a jump.
 */
import type { Bar, Jump } from './model';

export interface PlayingOrder {
  /** Bar indexes in the order they sound. */
  readonly order: readonly number[];
  /** Pass number (from 1) of the innermost repeat around each played bar: the verse sung there. */
  readonly passes: readonly number[];
  /** Why the written order was used instead, or null. */
  readonly problem: string | null;
}

interface Repeat {
  readonly start: number;
  readonly ends: Set<number>;
  passes: number;
  lastEnding: number;
}

interface Ending {
  readonly from: number;
  readonly to: number;
  readonly numbers: readonly number[];
  readonly repeat: Repeat;
}

/** An order longer than this many times the written bars (and than 2,000 bars) is taken for contradictory. */
const LONGEST_ORDER_FACTOR = 64;
const LONGEST_ORDER_FLOOR = 2000;

function pairRepeats(bars: readonly Bar[]): { repeats: Repeat[]; endings: Ending[] } {
  const repeats: Repeat[] = [];
  const endings: Ending[] = [];
  const open: Repeat[] = [];
  let afterLastEnd = 0;
  let group: { repeat: Repeat; end: number; brackets: number } | null = null;
  const repeatFrom = (start: number): Repeat => {
    const repeat: Repeat = { start, ends: new Set(), passes: 1, lastEnding: 0 };
    repeats.push(repeat);
    return repeat;
  };
  for (let i = 0; i < bars.length; i += 1) {
    const signs = bars[i]?.signs;
    if (!signs) continue;
    if (signs.repeatStart && !open.some((repeat) => repeat.start === i)) open.push(repeatFrom(i));
    if (signs.ending?.starts) {
      const numbers = signs.ending.numbers;
      let to = i;
      while (
        to + 1 < bars.length &&
        !bars[to]?.signs.ending?.stops &&
        bars[to]?.signs.repeatEnd == null &&
        bars[to + 1]?.signs.ending !== null &&
        !bars[to + 1]?.signs.ending?.starts
      )
        to += 1;
      const joins: boolean = group !== null && group.end === i - 1 && !numbers.includes(1);
      const repeat: Repeat = joins && group ? group.repeat : (open.pop() ?? repeatFrom(afterLastEnd));
      const brackets: number = joins && group ? group.brackets + 1 : 1;
      group = { repeat, end: to, brackets };
      endings.push({ from: i, to, numbers, repeat });
      const highest = Math.max(...numbers, 1);
      repeat.lastEnding = Math.max(repeat.lastEnding, highest);
      const closes = bars[to]?.signs.repeatEnd ?? null;
      const needed = brackets === 1 && closes !== null ? highest + 1 : highest;
      repeat.passes = Math.max(brackets === 2 ? repeat.lastEnding : repeat.passes, needed);
      if (closes !== null) repeat.passes = Math.max(repeat.passes, closes > 2 ? closes : 1);
    }
    if (signs.repeatEnd !== null) {
      const inGroup: Repeat | null = group !== null && group.end >= i && group.repeat.start <= i ? group.repeat : null;
      const repeat: Repeat = inGroup ?? open.pop() ?? repeatFrom(afterLastEnd);
      repeat.ends.add(i);
      if (!inGroup) repeat.passes = Math.max(repeat.passes, signs.repeatEnd);
      if (open.length === 0) afterLastEnd = i + 1;
    }
    if (signs.doubleBar === 'light-heavy' && open.length === 0) afterLastEnd = Math.max(afterLastEnd, i + 1);
  }
  return { repeats, endings };
}

const written = (bars: readonly Bar[], problem: string | null): PlayingOrder => ({
  order: bars.map((_, i) => i),
  passes: bars.map(() => 1),
  problem,
});

/** Where a jump goes; -1 where no segno is there. */
function targetOf(bars: readonly Bar[], { kind, to }: Jump): number {
  if (kind === 'dacapo') return 0;
  const named = bars.findIndex((b) => b.signs.segno !== null && b.signs.segno === to);
  return named >= 0 ? named : bars.findIndex((b) => b.signs.segno !== null);
}

/** The innermost repeat around a bar, its endings counted in. */
function innermost(repeats: readonly Repeat[], endings: readonly Ending[], at: number): Repeat | null {
  const lastOf = (r: Repeat): number => Math.max(...r.ends, ...endings.filter((e) => e.repeat === r).map((e) => e.to));
  return repeats
    .filter((r) => r.start <= at && lastOf(r) >= at)
    .reduce<Repeat | null>((best, r) => (best === null || r.start > best.start ? r : best), null);
}

/**
 * Bars in the order in which they are played, as indexes: repeats, endings and jumps followed.
 *
 * @param repeatsAfterJump take repeats again after da capo or dal segno even where the sign does not ask for it.
 *
 * @example playingOrder(scoreOf('C4|D4:|E4|').bars).order // → [0, 1, 0, 1, 2]
 */
export function playingOrder(
  bars: readonly Bar[],
  options: { readonly repeatsAfterJump?: boolean } = {},
): PlayingOrder {
  const { repeats, endings } = pairRepeats(bars);
  const endsAt = new Map<number, Repeat>();
  for (const repeat of repeats) for (const end of repeat.ends) endsAt.set(end, repeat);
  const endingAt = new Map(endings.map((ending) => [ending.from, ending]));
  const pass = new Map<Repeat, number>();
  const longest = Math.max(LONGEST_ORDER_FLOOR, bars.length * LONGEST_ORDER_FACTOR);
  const toCodaIndex = bars.findIndex((bar) => bar.signs.toCoda);
  const codaIndex = bars.findIndex((bar) => bar.signs.coda !== null);
  const hasFine = bars.some((bar) => bar.signs.fine);

  const order: number[] = [];
  const passes: number[] = [];
  const jumpsTaken = new Set<number>();
  let jumped: { until: 'fine' | 'coda' | null; withRepeats: boolean } | null = null;
  let at = 0;
  while (at < bars.length) {
    const bar = bars[at];
    if (!bar) break;
    const ending = endingAt.get(at);
    if (ending) {
      const current = jumped && !jumped.withRepeats ? ending.repeat.passes : (pass.get(ending.repeat) ?? 1);
      const last = Math.max(ending.repeat.lastEnding, 1);
      const wanted = current > last && ending.repeat.passes <= last ? last : current;
      if (!ending.numbers.includes(wanted)) {
        at = ending.to + 1;
        continue;
      }
    }
    order.push(at);
    const inner = innermost(repeats, endings, at);
    passes.push(inner ? (pass.get(inner) ?? 1) : 1);
    if (order.length > longest)
      return written(bars, 'the repeat signs and jumps never come to an end; the written order is used');

    const repeat = endsAt.get(at);
    if (repeat && !(jumped && !jumped.withRepeats)) {
      const done = pass.get(repeat) ?? 1;
      if (done < repeat.passes) {
        pass.set(repeat, done + 1);
        for (const other of repeats)
          if (other !== repeat && other.start >= repeat.start && Math.max(...other.ends) <= at) pass.delete(other);
        at = repeat.start;
        continue;
      }
    }
    if (jumped) {
      if (bar.signs.fine && jumped.until !== 'coda') break;
      if (bar.signs.toCoda && jumped.until !== 'fine') {
        if (codaIndex < 0 || codaIndex <= at)
          return written(bars, 'a sign leads to a coda that is not there; the written order is used');
        at = codaIndex;
        jumped = { until: null, withRepeats: true };
        continue;
      }
    }
    if (bar.signs.jump && !jumpsTaken.has(at)) {
      jumpsTaken.add(at);
      const jump = bar.signs.jump;
      if (jump.until === 'fine' && !hasFine)
        return written(bars, 'a jump ends at a fine that is not there; the written order is used');
      if (jump.until === 'coda' && toCodaIndex < 0 && codaIndex < 0)
        return written(bars, 'a jump leads to a coda that is not there; the written order is used');
      const target = targetOf(bars, jump);
      if (target < 0 || target > at)
        return written(bars, 'dal segno without a segno before it; the written order is used');
      const withRepeats = options.repeatsAfterJump ?? jump.withRepeats;
      jumped = { until: jump.until, withRepeats };
      pass.clear();
      at = target;
      continue;
    }
    at += 1;
  }
  return { order, passes, problem: null };
}
