import { struckNotes, type Score } from '../score';

/** A stretch of bars in one key; `tonic` is a pitch class. */
export interface KeySpan {
  readonly from: number;
  readonly to: number;
  readonly tonic: number;
  readonly mode: 'major' | 'minor';
}

/**
 * Probe-tone profiles of Krumhansl and Kessler, "Tracing the dynamic changes in perceived tonal organization in a
 * spatial representation of musical keys", Psychological Review 89 (1982), tonic first.
 */
export const KEY_PROFILES = {
  major: [6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88],
  minor: [6.33, 2.68, 3.52, 5.38, 2.6, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17],
} as const;

/** Correlation points that a change of key has to win back. Chosen by us. */
const CHANGE = 0.55;
/** What the signature's own two keys are given in advance, and what the mode the file names gets on top. */
const SIGNATURE = 0.12;
/** Bars on either side that are heard together. */
const AROUND = 1;

function correlation(weights: readonly number[], profile: readonly number[], tonic: number): number {
  const n = 12;
  const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / n;
  const mw = mean(weights);
  const mp = mean(profile);
  let top = 0;
  let a = 0;
  let b = 0;
  for (let pc = 0; pc < n; pc += 1) {
    const w = (weights[pc] ?? 0) - mw;
    const p = (profile[(pc - tonic + 12) % 12] ?? 0) - mp;
    top += w * p;
    a += w * w;
    b += p * p;
  }
  return a === 0 || b === 0 ? 0 : top / Math.sqrt(a * b);
}

/**
 * Keys visited, bar by bar, by the best path through the correlations of each bar and its neighbours with the 24
 * profiles.
 */
export function findKeys(score: Score): KeySpan[] {
  const weights: number[][] = score.bars.map(() => Array.from({ length: 12 }, () => 0));
  for (const { note, sounding } of struckNotes(score.notes)) {
    if (note.midi === null || note.grace) continue;
    const row = weights[note.bar];
    const pc = note.midi % 12;
    // Long notes count for less than their length: a held bass is one word, not many.
    if (row) row[pc] = (row[pc] ?? 0) + Math.min(2, sounding / score.ticksPerQuarter) ** 0.7;
  }
  const keys = Array.from({ length: 24 }, (_, k) => ({
    tonic: k % 12,
    mode: k < 12 ? ('major' as const) : ('minor' as const),
  }));
  let costs: number[] = keys.map(() => 0);
  const backs: number[][] = [];
  score.bars.forEach((bar, b) => {
    const heard = Array.from({ length: 12 }, (_, pc) => {
      let sum = 0;
      for (let k = Math.max(0, b - AROUND); k <= Math.min(score.bars.length - 1, b + AROUND); k += 1)
        sum += (weights[k]?.[pc] ?? 0) * (k === b ? 1 : 0.5);
      return sum;
    });
    const major = (((bar.key.fifths * 7) % 12) + 12) % 12;
    const fit = keys.map(({ tonic, mode }) => {
      const own = mode === 'major' ? tonic === major : tonic === (major + 9) % 12;
      const named =
        own &&
        bar.key.mode !== null &&
        (bar.key.mode === mode ||
          (bar.key.mode === 'ionian' && mode === 'major') ||
          (bar.key.mode === 'aeolian' && mode === 'minor'));
      return correlation(heard, KEY_PROFILES[mode], tonic) + (own ? SIGNATURE : 0) + (named ? SIGNATURE : 0);
    });
    const best = costs.reduce((m, c, k) => (c > (costs[m] ?? -Infinity) ? k : m), 0);
    const back: number[] = [];
    costs = keys.map((_, k) => {
      const stay = costs[k] ?? 0;
      const come = (costs[best] ?? 0) - (b === 0 ? 0 : CHANGE);
      back[k] = stay >= come ? k : best;
      return Math.max(stay, come) + (fit[k] ?? 0);
    });
    backs.push(back);
  });
  let at = costs.reduce((m, c, k) => (c > (costs[m] ?? -Infinity) ? k : m), 0);
  const path: number[] = [];
  for (let b = score.bars.length - 1; b >= 0; b -= 1) {
    path.unshift(at);
    at = backs[b]?.[at] ?? at;
  }
  const spans: KeySpan[] = [];
  path.forEach((k, b) => {
    const last = spans[spans.length - 1];
    const key = keys[k];
    if (!key) return;
    if (last && last.tonic === key.tonic && last.mode === key.mode) spans[spans.length - 1] = { ...last, to: b };
    else spans.push({ from: b, to: b, ...key });
  });
  return spans;
}
