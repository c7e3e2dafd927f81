import { add, compare, fraction, multiply, subtract, type Fraction, type Note, type Score } from '../score';
import { FASTEST_NOTES_PER_SECOND, type OrnamentNote, type OrnamentStyle } from './ornament';

/** Grace notes of one main note: a long appoggiatura takes its share on the beat, short ones are quick. */
export function graceNotes(
  score: Score,
  graces: readonly Note[],
  main: Note,
  length: Fraction,
  style: OrnamentStyle,
  tempo: number,
): OrnamentNote[] {
  const q = (t: number): Fraction => fraction(t, score.ticksPerQuarter);
  const start = q(main.onset);
  const key = main.midi ?? 60;
  const [first] = graces;
  if (!first) return [];
  const long = graces.length === 1 && first.grace !== null && !first.grace.slash;
  const each = fraction(1, (tempo / 60) * 8 > FASTEST_NOTES_PER_SECOND ? 4 : 8);
  if (long) {
    const dotted = main.dots === 1;
    let share = multiply(length, dotted ? fraction(2, 3) : fraction(1, 2));
    if (style === 'late') {
      // As written, where that is shorter.
      const values: Readonly<Record<string, Fraction>> = {
        half: fraction(2),
        quarter: fraction(1),
        eighth: fraction(1, 2),
        '16th': fraction(1, 4),
        '32nd': fraction(1, 8),
      };
      const written = values[first.value ?? ''] ?? fraction(1, 2);
      if (compare(written, share) < 0) share = written;
    }
    return [
      { onset: start, duration: share, midi: first.midi ?? key },
      { onset: add(start, share), duration: subtract(length, share), midi: key },
    ];
  }
  const total = multiply(each, fraction(graces.length));
  const beforeBeat = style === 'late' && compare(start, total) >= 0;
  const fit =
    compare(total, multiply(length, fraction(1, 2))) > 0 ? multiply(length, fraction(1, 2 * graces.length)) : each;
  let at = beforeBeat ? subtract(start, total) : start;
  const step = beforeBeat ? each : fit;
  const out = graces.map((g) => {
    const note = { onset: at, duration: step, midi: g.midi ?? key };
    at = add(at, step);
    return note;
  });
  const from = beforeBeat ? start : at;
  return [...out, { onset: from, duration: subtract(add(start, length), from), midi: key }];
}
