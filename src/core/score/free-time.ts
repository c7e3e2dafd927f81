import type { Direction, Score } from './model';

const FREE = /rubato|a piacere|ad lib|stringendo|liberamente|senza misura/i;
const STRICT = /a tempo|tempo (i\b|1|primo)|in tempo|giusto|misurato/i;

const TEMPO =
  /\b(rit|ritard|rall|accel|string|allarg|tempo|moss[oa]|largo|larghetto|adagi|andant|moderato|allegr|vivace|presto|lento|grave|fermata|swing|slow|fast|doppio|l'istesso|meno|piu|più)/i;

const speaksOfTime = (text: string): boolean => FREE.test(text) || STRICT.test(text) || TEMPO.test(text);

/**
 * Whether a direction is everyone's, whichever part it is printed over: rehearsal letters and words of time.
 *
 * @example scoreOf('"^poco rit."C4|"^dolce"D4|').directions.filter(isForAll).length // → 1
 */
export const isForAll = (d: Direction): boolean =>
  d.kind === 'rehearsal' || (d.kind === 'words' && speaksOfTime(d.text));

/** Share by which free time may bend either way **[from memory]**. */
export const FREE_BEND = 0.12;

/**
 * Words of free time that hold in bars `from` to `to`, both included: from where they stand to the next "a tempo". Null
 * for strict time.
 *
 * @example freeTimeIn(scoreOf('"^rubato"C4|D4|'), 0, 1) // → 'rubato'
 */
export function freeTimeIn(score: Score, from: number, to: number): string | null {
  let holding: string | null = null;
  for (const d of score.directions) {
    if (d.kind !== 'words' || d.bar > to) continue;
    if (STRICT.test(d.text)) {
      if (holding !== null && d.bar > from) return holding;
      holding = null;
    } else if (FREE.test(d.text)) {
      holding = d.text;
      if (d.bar >= from) return holding;
    }
  }
  return holding;
}
