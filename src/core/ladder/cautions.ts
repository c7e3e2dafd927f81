import type { Rung } from '../studio';

/** Minutes after which a pause is due **[from memory]**. */
export const MINUTES_BEFORE_A_BREAK = 25;

/**
 * The cautions of the handbook's last chapter that this ladder gives reason for. No medical advice, and none is left
 * out for being known.
 *
 * @example
 * cautionsFor([rung('slow')], { wind: true, stretch: false, notesPerSecond: 2 })
 * // → ['Dizzy from many full breaths? Pause and breathe normally.']
 */
export function cautionsFor(
  rungs: readonly Rung[],
  about: { readonly wind: boolean; readonly stretch: boolean; readonly notesPerSecond: number },
): string[] {
  const out: string[] = [];
  const quick = about.notesPerSecond >= 6;
  const loops = rungs.some((r) => r.kind === 'corner');
  const minutes = rungs.reduce((sum, r) => sum + (r.minutes ?? 0), 0);
  const long = minutes > MINUTES_BEFORE_A_BREAK;
  if (about.stretch || quick || loops || long)
    out.push(
      'Pain, numbness or tingling: stop, rest, and see a clinician who knows musicians. This is no medical advice.',
    );
  if (long) out.push('More than 25 minutes in all: a pause of about five minutes in every 25.');
  if (about.wind) out.push('Dizzy from many full breaths? Pause and breathe normally.');
  if (rungs.some((r) => r.kind === 'partner'))
    out.push('With a loud partner, a backing or headphones: keep the level down.');
  return out;
}
