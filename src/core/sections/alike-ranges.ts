import type { BarContent } from '../sameness';
import { lastWhere } from '../score';
import { isVaried, likeness, LIKENESS, openingOf, SAME_FROM, type Lines, type Range } from './likeness';

/** Which ranges of a piece are alike, found without comparing each with each. */
export interface AlikeRanges {
  /** How alike two ranges are; 0 where they are not alike enough to have one letter. */
  readonly shareOf: (a: number, b: number) => number;
  /** Earlier ranges that are alike one, the likest first, of those the latest; at most so many. */
  readonly earlier: (range: number, most: number) => readonly number[];
  /** The likest earlier range, the first of several; null where none is alike. */
  readonly likest: (range: number) => number | null;
}

/** Shares that differ by less are the same. */
const SAME_SHARE = 1e-9;
/** What sums of many shares may be off by. */
const ROUNDING = 1e-6;

/** By content of ranges: those that hold it, in order; contents in the order in which they first come. */
function sameContents({ all, tune }: Lines, ranges: readonly Range[]): readonly (readonly number[])[] {
  const held = new Map<string, number[]>();
  const facesOf = (bars: readonly BarContent[], [from, to]: Range): string =>
    bars
      .slice(from, to + 1)
      .map((b) => b.exact)
      .join(' ');
  ranges.forEach((range, index) => {
    const key = all === tune ? facesOf(all.bars, range) : `${facesOf(all.bars, range)}|${facesOf(tune.bars, range)}`;
    const there = held.get(key);
    if (there) there.push(index);
    else held.set(key, [index]);
  });
  return [...held.values()];
}

/**
 * A note that more ranges than these have at one place makes none of them alike by itself; a range is held against the
 * so many likest earlier ones, and its outline against as many of the first. Chosen by us: no piece of a lesson has so
 * many different ranges, and time grows no more than with their number.
 */
const MOST_HELD = 200;
const MOST_LIKELY = 100;

/** Places of a range and what is there: notes, and shapes of bars that may come elsewhere. */
interface Trait {
  readonly bar: number;
  readonly key: string;
  /** How often the note is there; 0 for a shape. */
  readonly notes: number;
}

function traitsOf({ tune }: Lines, [from, to]: Range): readonly Trait[] {
  return tune.bars.slice(from, to + 1).flatMap((bar, k): readonly Trait[] => {
    const counts = new Map<number, number>();
    for (const face of bar.faces) counts.set(face, (counts.get(face) ?? 0) + 1);
    const notes = [...counts].map(([face, count]) => ({ bar: k, key: `${k} ${face}`, notes: count }));
    return bar.anchor && bar.diatonic >= 0
      ? [...notes, { bar: k, key: `${k} shape ${bar.diatonic}`, notes: 0 }]
      : notes;
  });
}

/**
 * For each range the earlier ones that may be alike, the likest first: those that share notes at the same places, or
 * shapes of bars, to such a degree. Others cannot be.
 */
function sharing(lines: Lines, ranges: readonly Range[]): readonly (readonly number[])[] {
  const { all, tune } = lines;
  const traits = ranges.map((range) => traitsOf(lines, range));
  const holders = new Map<string, number>();
  for (const { key } of traits.flat()) holders.set(key, (holders.get(key) ?? 0) + 1);
  const holding = new Map<string, number[]>();
  const [tuneOf, openingWith, movedBars] = [0, 1, 2].map(() => new Float64Array(ranges.length)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const isMet = new Uint8Array(ranges.length);
  const starts = Int32Array.from(ranges, ([from]) => from);
  const lengths = Int32Array.from(ranges, ([from, to]) => to - from + 1);
  const notesOf = Int32Array.from(tune.bars, (bar) => bar.notes.length);
  // By bar: in how many before it something sounds.
  const sounding = new Int32Array(notesOf.length + 1);
  notesOf.forEach((notes, bar) => (sounding[bar + 1] = (sounding[bar] ?? 0) + (notes > 0 ? 1 : 0)));
  return ranges.map(([from], index) => {
    const mine = lengths[index] ?? 0;
    const met: number[] = [];
    // What too many have counts for all, so that the sums are never below what they stand for.
    let tuneOfAll = 0;
    let openingOfAll = 0;
    for (const { bar, key, notes } of traits[index] ?? []) {
      const here = notesOf[from + bar] ?? 0;
      if ((holders.get(key) ?? 0) > MOST_HELD) {
        tuneOfAll += (2 * notes) / here;
        if (bar < openingOf(mine)) openingOfAll += (2 * notes) / here;
        continue;
      }
      const there = holding.get(key);
      for (const other of there ?? []) {
        if (isMet[other] === 0) {
          isMet[other] = 1;
          met.push(other);
        }
        if (notes === 0) {
          movedBars[other] = (movedBars[other] ?? 0) + 1;
          continue;
        }
        const share = (2 * notes) / (here + (notesOf[(starts[other] ?? 0) + bar] ?? 0));
        tuneOf[other] = (tuneOf[other] ?? 0) + share;
        if (bar < openingOf(Math.min(mine, lengths[other] ?? 0)))
          openingWith[other] = (openingWith[other] ?? 0) + share;
      }
      if (there) there.push(index);
      else holding.set(key, [index]);
    }
    const soundingIn = (bars: number): number =>
      Math.max(1, (sounding[Math.min(from + bars, notesOf.length)] ?? 0) - (sounding[from] ?? 0));
    const likely: { readonly other: number; readonly most: number }[] = [];
    for (const other of met) {
      const theirs = lengths[other] ?? 0;
      const shortest = Math.min(theirs, mine);
      const tuneShare = Math.min(1, ((tuneOf[other] ?? 0) + tuneOfAll) / soundingIn(shortest));
      const whole = all === tune ? tuneShare : LIKENESS.tune * tuneShare + LIKENESS.all;
      const begins = Math.min(1, ((openingWith[other] ?? 0) + openingOfAll) / soundingIn(openingOf(shortest)));
      const share = (1 - LIKENESS.opening) * whole + LIKENESS.opening * begins;
      const moved = (movedBars[other] ?? 0) / Math.max(theirs, mine);
      tuneOf[other] = openingWith[other] = movedBars[other] = isMet[other] = 0;
      if (share >= SAME_FROM - ROUNDING || moved > LIKENESS.movedFrom - ROUNDING)
        likely.push({ other, most: Math.max(share, moved) });
    }
    return likely
      .sort((x, y) => y.most - x.most || x.other - y.other)
      .slice(0, MOST_LIKELY)
      .map(({ other }) => other);
  });
}

/** Finds which of some ranges of a piece are alike; the same ranges are compared once, whoever asks. */
export type FindAlike = (ranges: readonly Range[]) => AlikeRanges;

export function alikeIn(lines: Lines): FindAlike {
  const found = new Map<string, AlikeRanges>();
  return (ranges) => {
    const asked = ranges.join(' ');
    const there = found.get(asked) ?? alikeRanges(lines, ranges);
    found.set(asked, there);
    return there;
  };
}

/** Finds which of some ranges are alike. Ranges that hold the very same are compared once. */
export function alikeRanges(lines: Lines, ranges: readonly Range[]): AlikeRanges {
  const held = sameContents(lines, ranges);
  const contentOf: number[] = [];
  held.forEach((list, content) => list.forEach((range) => (contentOf[range] = content)));
  const firsts = held.map((list) => ranges[list[0] ?? 0] ?? ([0, 0] as const));
  const shares = firsts.map(() => new Map<number, number>());
  const compare = (a: number, b: number): void => {
    const [x, y] = [firsts[a], firsts[b]];
    const share = x && y ? likeness(lines, x, y).share : 0;
    if (share < SAME_FROM) return;
    shares[a]?.set(b, share);
    shares[b]?.set(a, share);
  };
  const bySharing = sharing(lines, firsts);
  const ofLength = new Map<number, readonly number[]>();
  firsts.forEach((range, b) => {
    const candidates = new Set(bySharing[b]);
    for (const a of candidates) compare(a, b);
    compare(b, b);
    const length = range[1] - range[0];
    const sameLength = ofLength.get(length) ?? [];
    for (const a of sameLength) {
      const other = firsts[a];
      if (other && !candidates.has(a) && isVaried(lines, other, range)) compare(a, b);
    }
    if (sameLength.length < MOST_HELD) ofLength.set(length, [...sameLength, b]);
  });
  const ranked = shares.map((of) => [...of].sort(([, x], [, y]) => y - x));
  const inOrder = shares.map((of) => [...of].sort(([x], [y]) => x - y));
  return {
    shareOf: (a, b) => shares[contentOf[a] ?? -1]?.get(contentOf[b] ?? -1) ?? 0,
    earlier: (range, most) => {
      const out: number[] = [];
      for (const [content] of ranked[contentOf[range] ?? -1] ?? []) {
        const list = held[content] ?? [];
        for (let k = lastWhere(list, (n) => n < range); k >= 0 && out.length < most; k -= 1) out.push(list[k] ?? 0);
        if (out.length === most) break;
      }
      return out;
    },
    likest: (range) => {
      let best: { readonly first: number; readonly share: number } | null = null;
      for (const [content, share] of inOrder[contentOf[range] ?? -1] ?? []) {
        const first = held[content]?.[0] ?? range;
        if (first < range && share > (best?.share ?? 0) + SAME_SHARE) best = { first, share };
      }
      return best?.first ?? null;
    },
  };
}
