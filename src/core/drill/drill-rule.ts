import type { Rung } from '../studio';
import type { DrillRule } from './drill';

/** Right in a row where a rung says nothing else **[common practice: three]**. */
const USUAL_ROW = 3;
/** More is no drill but a punishment. */
const MOST_ROW = 10;
/** A tempo step, as a share of the tempo before **[from memory: about two notches of a metronome]**. */
const STEP = 0.08;
/** Past the target a little, so that the target is easy. */
const PAST = 1.04;

/** Tempos from one to another in even steps, each at most `STEP` more than the one before. */
function stepsBetween(from: number, to: number): readonly number[] {
  if (to <= from) return [Math.round(from)];
  const count = Math.max(1, Math.ceil(Math.log(to / from) / Math.log(1 + STEP)));
  return [...new Set(Array.from({ length: count + 1 }, (_, i) => Math.round(from * (to / from) ** (i / count))))];
}

/**
 * How a rung is drilled: as often in a row as it asks, at its tempo, or up its tempos to the last and a little past it.
 * A rung that names no tempo takes `usual`; nothing goes above `cap`.
 *
 * @example
 * drillRule({ kind: 'tempo', times: 3, tempo: 60, tempoTo: 66 }, { usual: 80, cap: null, miss: 'gate' }).steps
 * // → [60, 64, 69]
 */
export function drillRule(
  rung: Pick<Rung, 'kind' | 'times' | 'tempo' | 'tempoTo'> | null,
  { usual, cap, miss }: { readonly usual: number; readonly cap: number | null; readonly miss: DrillRule['miss'] },
): DrillRule {
  const within = (tempo: number): number => (cap === null ? tempo : Math.min(tempo, cap));
  const from = within(rung?.tempo ?? usual);
  const goal = rung?.tempoTo ?? null;
  const to = goal === null ? from : within(rung?.kind === 'tempo' ? goal * PAST : goal);
  return {
    inRow: Math.max(1, Math.min(MOST_ROW, rung?.times ?? USUAL_ROW)),
    miss,
    steps: stepsBetween(from, to),
  };
}
