import { meterBeats, meterQuarters } from './meter';
import type { Bar } from './model';

/**
 * Onsets of the beats of a bar in ticks from its start; a pick-up holds the last beats of its meter. A free bar counts
 * quarters.
 *
 * @example beatOnsets(score.bars[0], score.ticksPerQuarter).map((b) => b.downbeat) // → [true, false, false, false]
 */
export function beatOnsets(
  bar: Bar,
  ticksPerQuarter: number,
): readonly { readonly at: number; readonly downbeat: boolean }[] {
  const beats = meterBeats(bar.meter).map((b) => (b.n * ticksPerQuarter) / b.d);
  if (beats.length === 0)
    return Array.from({ length: Math.ceil(bar.length / ticksPerQuarter) }, (_, i) => ({
      at: i * ticksPerQuarter,
      downbeat: i === 0,
    }));
  const nominal = meterQuarters(bar.meter);
  const full = (nominal.n * ticksPerQuarter) / nominal.d;
  const shift = bar.index === 0 && bar.length < full ? full - bar.length : 0;
  const out: { at: number; downbeat: boolean }[] = [];
  let at = -shift;
  beats.forEach((length, i) => {
    if (at >= 0 && at < bar.length) out.push({ at, downbeat: i === 0 });
    at += length;
  });
  return out;
}
