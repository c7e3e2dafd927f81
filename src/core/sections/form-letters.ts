import type { FindAlike } from './alike-ranges';
import { likeness, type Likeness, type Lines, type Range } from './likeness';

/** A range with its letter: its family, how often that has changed before it, and what it is likest to. */
export interface Lettered {
  /** From 0 for A. */
  readonly family: number;
  readonly primes: number;
  /** Index of the range it is a copy of, changed or not; null for what is new. */
  readonly like: number | null;
  readonly how: Likeness | null;
  readonly exact: boolean;
}

/** `A` for 0, `Z` for 25, then `AA`. */
export const letterOf = (n: number): string =>
  n < 26
    ? String.fromCharCode(65 + n)
    : `${String.fromCharCode(64 + Math.floor(n / 26))}${String.fromCharCode(65 + (n % 26))}`;

const PRIMES = ['', '′', '″', '‴'];
/** `A″`: a letter and how often it has changed. */
export const letterText = ({ family, primes }: Pick<Lettered, 'family' | 'primes'>): string =>
  `${letterOf(family)}${PRIMES[primes] ?? `′${primes}`}`;

/**
 * Letters for ranges in order: each takes the letter of the earlier one that it is likest to, with a prime where it has
 * changed, or a new one. Ranges in which nothing sounds are like none.
 */
export function lettersFor(lines: Lines, ranges: readonly Range[], findAlike: FindAlike): readonly Lettered[] {
  const out: Lettered[] = [];
  const alike = findAlike(ranges);
  /** By family: how often it has changed. */
  const changes: number[] = [];
  ranges.forEach((range, i) => {
    const silent = lines.all.bars.slice(range[0], range[1] + 1).every((b) => b.notes.length === 0);
    const like = silent ? null : alike.likest(i);
    const model = like === null ? undefined : out[like];
    if (like === null || !model) {
      out.push({ family: changes.length, primes: 0, like: null, how: null, exact: false });
      changes.push(0);
      return;
    }
    const other = ranges[like] ?? range;
    const how = likeness(lines, other, range);
    const exact = how.moved === null && how.share > 0.999 && other[1] - other[0] === range[1] - range[0];
    const primes = exact ? model.primes : (changes[model.family] ?? 0) + 1;
    changes[model.family] = Math.max(changes[model.family] ?? 0, primes);
    out.push({ family: model.family, primes, like, how, exact });
  });
  return out;
}
