import { inBeats, inQuarters, type TempoUnit } from '../score';
import type { Rung } from '../studio';
import { TEMPO_OVER, TEMPO_STEP } from './rungs/tempo';
import { tempoSteps, type TempoSchool } from './tempo-steps';

/**
 * The tempos that a rung of tempo steps climbs, in quarters a minute: in the beats of the metronome, by the school of
 * the teacher, to the target and as little past it as the rung says. Null for a rung that has no steps.
 *
 * @example
 * rungTempos({ kind: 'tempo', tempo: 60, tempoTo: 83 }, { target: 80, school: 'bpm', cap: null,
 *   unit: { quarters: 1, name: 'quarter' } }) // → [60, 68, 76, 80, 83]
 */
export function rungTempos(
  { kind, tempo, tempoTo }: Pick<Rung, 'kind' | 'tempo' | 'tempoTo'>,
  {
    target,
    school,
    unit,
    cap,
  }: { readonly target: number; readonly school: TempoSchool; readonly unit: TempoUnit; readonly cap: number | null },
): readonly number[] | null {
  if (kind !== 'tempo' || tempo === null || tempoTo === null) return null;
  return tempoSteps({
    start: inBeats(tempo, unit),
    target: inBeats(Math.min(target, tempoTo), unit),
    school,
    step: TEMPO_STEP,
    over: tempoTo > target ? TEMPO_OVER : 0,
    cap: cap === null ? null : inBeats(cap, unit),
  }).map((beats) => inQuarters(beats, unit));
}
