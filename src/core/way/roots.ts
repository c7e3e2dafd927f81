import type { BarDifficulty, Corner } from '../difficulty';
import { barSeconds, playedSecondsOfBars, type Score } from '../score';
import type { Copy } from './copies';
import type { WayForm, WayPhrase } from './phrases';

/** A phrase that is learned as new, with what it brings: what the schools put in order. */
export interface RootPhrase {
  /** Of the phrase. */
  readonly index: number;
  readonly section: number;
  /** Where it and the last of its copies stand, as indexes of phrases. */
  readonly last: number;
  /** How often it comes, itself counted. */
  readonly times: number;
  /** Seconds of playing that are known, or nearly, once it is. */
  readonly gain: number;
  /** What it costs to learn, in seconds of playing weighed by how hard it is. */
  readonly cost: number;
  /** Bars of it that are corners, hardest first, with why. */
  readonly corners: readonly { readonly bar: number; readonly score: number; readonly why: string }[];
}

/** How much of a copy is known with its model. Chosen by us, as for the pay-off of bars. */
const KNOWN_OF_COPY = { exact: 1, moved: 0.7, changed: 0.8 } as const satisfies Record<Copy['kind'], number>;
/** How much longer a bar takes for each point of its difficulty (0 to 10). Chosen by us. */
const LONGER_PER_POINT = 0.15;

/** Phrases and all that lead back to them as copies, by the index of the first. */
export function familiesOf(phrases: readonly WayPhrase[]): ReadonlyMap<number, readonly WayPhrase[]> {
  const families = new Map<number, WayPhrase[]>();
  const roots: number[] = [];
  for (const p of phrases) {
    // A model stands before its copies: its root is known.
    const root = p.model === null ? p.index : (roots[p.model] ?? p.index);
    roots[p.index] = root;
    const family = families.get(root);
    if (family) family.push(p);
    else families.set(root, [p]);
  }
  return families;
}

/** Phrases that are new where they stand, in the order of the piece. */
export function rootPhrases(
  score: Score,
  { phrases }: WayForm,
  difficulties: readonly BarDifficulty[],
  corners: readonly Corner[],
): readonly RootPhrase[] {
  const seconds = playedSecondsOfBars(score);
  const sum = (p: WayPhrase, of: (bar: number) => number): number => {
    let total = 0;
    for (let b = p.bars[0]; b <= p.bars[1]; b += 1) total += of(b);
    return total;
  };
  const families = familiesOf(phrases);
  return phrases.flatMap((p): readonly RootPhrase[] => {
    if (p.model !== null) return [];
    const family = families.get(p.index) ?? [];
    const hard = (bar: number): number => 1 + LONGER_PER_POINT * (difficulties[bar]?.score ?? 0);
    return [
      {
        index: p.index,
        section: p.section,
        last: Math.max(...family.map((q) => q.index)),
        times: family.length,
        gain: family.reduce(
          (all, q) => all + sum(q, (b) => seconds[b] ?? 0) * (q.copy ? KNOWN_OF_COPY[q.copy.kind] : 1),
          0,
        ),
        cost: sum(p, (b) => {
          const bar = score.bars[b];
          return bar ? barSeconds(score, bar) * hard(b) : 0;
        }),
        corners: corners
          .filter((c) => c.bar >= p.bars[0] && c.bar <= p.bars[1])
          .map((c) => ({ bar: c.bar, score: c.score, why: c.reasons[0]?.text ?? 'more than its neighbours' })),
      },
    ];
  });
}
