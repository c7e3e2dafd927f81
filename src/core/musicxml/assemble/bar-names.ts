import type { BarSigns } from '../../score';
import type { BarHead } from '../growing-part';

/** A number as people count bars. What is implicit, and what begins with an X, is there for programs only. */
const isCounted = ({ number, implicit }: BarHead): boolean => !implicit && /^\d/.test(number);

const ORDINALS = ['', '1st', '2nd', '3rd'] as const;
const ordinal = (n: number): string => ORDINALS[n] ?? `${n}th`;

/** The ending that covers a bar, as it is called; null in the first one and outside. */
const laterEnding = (signs: BarSigns | undefined): string | null => {
  const first = Math.min(...(signs?.ending?.numbers ?? [1]));
  return first > 1 ? `${ordinal(first)} ending` : null;
};

const LETTERS = 'bcdefghijklmnopqrstuvwxyz';

/**
 * What each bar is called: its printed number, `pick-up` before the first, `8b` for what is split off bar 8, `2nd
 * ending` for bars of an ending that are not counted, and no two alike where it can be helped.
 */
export function barNames(heads: readonly BarHead[], signs: readonly BarSigns[]): readonly string[] {
  const used = new Map<string, number>();
  let last = '';
  let inEnding = 0;
  return heads.map((head, i) => {
    const ending = laterEnding(signs[i]);
    inEnding = ending === null ? 0 : signs[i]?.ending?.starts ? 1 : inEnding + 1;
    if (isCounted(head)) {
      last = head.number;
      const times = (used.get(head.number) ?? 0) + 1;
      used.set(head.number, times);
      if (times === 1) return head.number;
      return ending === null ? `${head.number}${LETTERS[times - 2] ?? ''}` : `${head.number}, ${ending}`;
    }
    if (last === '') return i === 0 ? 'pick-up' : `pick-up ${i + 1}`;
    if (ending !== null) return inEnding <= 1 ? ending : `${ending}, bar ${inEnding}`;
    const times = (used.get(last) ?? 1) + 1;
    used.set(last, times);
    return `${last}${LETTERS[times - 2] ?? ''}`;
  });
}
