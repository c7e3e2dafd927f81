import type { BarDifficulty } from './bar-difficulty';
import type { ReasonKind } from './reasons';

/** What makes a bar a corner, ours, set on the training pieces. */
export const CORNER_WEIGHTS = {
  /** What is usual in a piece of each reason: what this share of its bars does not go over. */
  usual: 0.5,
  /** How much of the whole difficulty counts beside what is unusual. */
  whole: 0.2,
  /** What counts of the trouble of a hand that has played the very same bar before. */
  knownHand: 0.5,
  /** What counts of a bar beside one that is already a corner: the two are practised as one. */
  besides: 0.75,
  /** Points past the usual of the piece from which on a bar is a corner. */
  above: 0.8,
  /** Easy in itself is no corner, whatever the rest. */
  least: 0.8,
  /** At most one bar in so many. */
  oneIn: 6,
} as const;

/** A bar that will cost the time. */
export interface Corner extends BarDifficulty {
  /** Points by which it goes before the hardest bar that is none; null where it is one whatever the others are. */
  readonly margin: number | null;
}

const share = (sorted: readonly number[], part: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))] ?? 0;

/** Points of a bar by reason; what a hand has done before, note for note, counts in part. */
function byKind(d: BarDifficulty): ReadonlyMap<ReasonKind, number> {
  const ofHands = new Map<ReasonKind, number>();
  for (const hand of d.hands)
    for (const { kind, points } of hand.reasons) {
      const now = hand.copyOf === null ? points : points * CORNER_WEIGHTS.knownHand;
      ofHands.set(kind, Math.max(ofHands.get(kind) ?? 0, now));
    }
  return new Map(d.reasons.map((r) => [r.kind, ofHands.get(r.kind) ?? r.points]));
}

/** How far a bar goes beyond what the piece asks everywhere: in all, and by each reason. */
interface Beyond {
  readonly all: number;
  readonly by: ReadonlyMap<ReasonKind, number>;
}

/**
 * How far each bar goes beyond what the piece asks everywhere, reason by reason: running notes are no corner of a
 * piece that runs, and one sharp is one in a piece that has no other.
 */
function beyondTheUsual(played: readonly BarDifficulty[]): readonly Beyond[] {
  const points = played.map(byKind);
  const kinds = [...new Set(points.flatMap((p) => [...p.keys()]))];
  const usual = new Map(
    kinds.map((kind) => [
      kind,
      share(
        points.map((p) => p.get(kind) ?? 0).sort((a, b) => a - b),
        CORNER_WEIGHTS.usual,
      ),
    ]),
  );
  return points.map((p) => {
    const by = new Map([...p].map(([kind, n]) => [kind, Math.max(0, n - (usual.get(kind) ?? 0))] as const));
    return { all: [...by.values()].reduce((sum, n) => sum + n, 0), by };
  });
}

/** A bar with how it stands among the others. */
interface Ranked {
  readonly d: BarDifficulty;
  readonly beyond: number;
  readonly by: ReadonlyMap<ReasonKind, number>;
  readonly rank: number;
}

/** So many of the hardest at most, hardest first; a bar beside one that is taken already has less of a claim. */
function hardestOf(candidates: readonly Ranked[], most: number): readonly Ranked[] {
  const taken = new Map<number, Ranked>();
  const claim = ({ d, rank }: Ranked): number =>
    taken.has(d.bar - 1) || taken.has(d.bar + 1) ? rank * CORNER_WEIGHTS.besides : rank;
  while (taken.size < most) {
    let next: Ranked | null = null;
    for (const c of candidates) if (!taken.has(c.d.bar) && (next === null || claim(c) > claim(next))) next = c;
    if (next === null) break;
    taken.set(next.d.bar, next);
  }
  return [...taken.values()];
}

/**
 * Bars that will cost the time: clearly beyond what the piece asks everywhere and not easy in themselves, hardest
 * first, at most one bar in six. A bar that has come before note for note is learned there.
 *
 * @example cornersOf(barDifficulties(score)) // → []
 */
export function cornersOf(difficulties: readonly BarDifficulty[]): Corner[] {
  const played = difficulties.filter((d) => d.hands.length > 0);
  const beyond = beyondTheUsual(played);
  const ranked = played
    .map((d, i): Ranked => {
      const { all, by } = beyond[i] ?? { all: 0, by: new Map<ReasonKind, number>() };
      return { d, beyond: all, by, rank: all + CORNER_WEIGHTS.whole * d.score };
    })
    .filter(({ d }) => d.copyOf === null);
  const corners = hardestOf(
    ranked.filter(({ d, beyond: b }) => b >= CORNER_WEIGHTS.above && d.score >= CORNER_WEIGHTS.least),
    Math.ceil(difficulties.length / CORNER_WEIGHTS.oneIn),
  );
  const isCorner = new Set(corners.map(({ d }) => d.bar));
  const next = ranked.reduce((m, c) => (isCorner.has(c.d.bar) ? m : Math.max(m, c.rank)), 0);
  return corners.map(({ d, by, rank }) => ({
    ...d,
    // What makes it a corner is said first, not what every bar asks.
    reasons: [...d.reasons].sort((x, y) => (by.get(y.kind) ?? 0) - (by.get(x.kind) ?? 0) || y.points - x.points),
    margin: Math.max(0, Math.round((rank - next) * 10) / 10),
  }));
}
