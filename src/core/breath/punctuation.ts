import type { CadenceKind, Harmony } from '../harmony';
import { struckNotes, type Score } from '../score';

/** How a phrase ends: comma, full stop, question or exclamation mark, and why. */
export interface PhraseSign {
  readonly noteId: string;
  readonly bar: number;
  readonly sign: ',' | '.' | '?' | '!';
  readonly reason: string;
}

const CLOSES = { authentic: '.', plagal: '.', half: '?', deceptive: ',' } as const satisfies Record<
  CadenceKind,
  PhraseSign['sign']
>;
const REASONS = {
  authentic: 'closes on the tonic chord',
  plagal: 'closes on the tonic chord',
  half: 'ends open, on the dominant',
  deceptive: 'turns away from the tonic',
} as const satisfies Record<CadenceKind, string>;

/**
 * Punctuation at the ends of the given phrases (bars, both included), from the last note of the tune and the chord
 * under it.
 *
 * @example
 * punctuatePhrases(score, [{ from: 4, to: 7 }], findHarmony(score))[0].sign // → '?'
 */
export function punctuatePhrases(
  score: Score,
  phrases: readonly { readonly from: number; readonly to: number }[],
  { beats, keys, cadences }: Pick<Harmony, 'beats' | 'keys' | 'cadences'>,
): PhraseSign[] {
  const struck = struckNotes(score.notes).filter((s) => s.note.midi !== null && !s.note.grace && s.note.staff === 1);
  return phrases.flatMap(({ from, to }): PhraseSign[] => {
    const mine = struck.filter((s) => s.note.bar >= from && s.note.bar <= to);
    const last = mine[mine.length - 1];
    if (!last) return [];
    const key = keys.find((k) => to >= k.from && to <= k.to) ?? { tonic: 0, mode: 'major' as const, from: 0, to: 0 };
    const degree = ((last.note.midi ?? 0) - key.tonic + 120) % 12;
    const under = beats.filter((b) => b.onset <= last.note.onset).pop();
    const root = under?.root == null ? null : (under.root - key.tonic + 12) % 12;
    const top = Math.max(...mine.map((s) => s.note.midi ?? 0));
    const put = (sign: PhraseSign['sign'], reason: string): PhraseSign[] => [
      { noteId: last.note.id, bar: last.note.bar, sign, reason },
    ];
    const cadence = cadences.find((c) => c.bar >= from && c.bar <= to && c.onset <= last.note.onset + last.sounding);
    if (cadence)
      return put(
        degree === 0 && CLOSES[cadence.kind] === '.' && (last.note.midi ?? 0) === top ? '!' : CLOSES[cadence.kind],
        REASONS[cadence.kind],
      );
    if (degree === 0 && (root === 0 || root === null))
      return put(
        (last.note.midi ?? 0) === top ? '!' : '.',
        (last.note.midi ?? 0) === top ? 'ends on the tonic, at the top' : 'ends on the tonic',
      );
    if (root === 7 || degree === 2 || degree === 11) return put('?', 'ends open, on the dominant');
    const before = mine[mine.length - 2];
    const rises = before !== undefined && (last.note.midi ?? 0) > (before.note.midi ?? 0);
    return put(rises ? '?' : ',', rises ? 'rises at the end' : 'goes on');
  });
}
