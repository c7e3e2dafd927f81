import { rungTempos, type TempoSchool } from '../ladder';
import type { TempoUnit } from '../score';
import type { Rung } from '../studio';
import type { DrillRule } from './drill';

/** Right in a row where a rung says nothing else **[common practice: three]**. */
const USUAL_ROW = 3;
/** More is no drill but a punishment. */
const MOST_ROW = 10;

export interface DrillContext {
  /** The tempo of what names none, in quarters a minute. */
  readonly usual: number;
  /** Where tempo steps lead to. */
  readonly target: number;
  /** Nothing is asked above it; null for no cap. */
  readonly cap: number | null;
  readonly school: TempoSchool;
  /** The beat that the metronome counts. */
  readonly unit: TempoUnit;
  readonly miss: DrillRule['miss'];
}

/**
 * How a rung is drilled: as often in a row as it asks, at its tempo, or up its tempo steps as the ladder has them. The
 * times of tempo steps are those of all steps together. A rung that names no tempo takes `usual`.
 *
 * @example
 * drillRule({ kind: 'tempo', times: 8, tempo: 60, tempoTo: 83 }, { usual: 80, target: 80, cap: null, school: 'bpm',
 *   unit: { quarters: 1, name: 'quarter' }, miss: 'gate' })
 * // → { inRow: 2, miss: 'gate', steps: [60, 68, 76, 80, 83] }
 */
export function drillRule(
  rung: Pick<Rung, 'kind' | 'times' | 'tempo' | 'tempoTo'> | null,
  { usual, target, cap, school, unit, miss }: DrillContext,
): DrillRule {
  const within = (tempo: number): number => (cap === null ? tempo : Math.min(tempo, cap));
  const climbed = rung ? rungTempos(rung, { target, school, unit, cap }) : null;
  const steps = climbed ?? [Math.round(within(rung?.tempo ?? usual))];
  const asked = (rung?.times ?? USUAL_ROW) / (climbed ? climbed.length : 1);
  return { inRow: Math.max(1, Math.min(MOST_ROW, Math.round(asked))), miss, steps };
}
