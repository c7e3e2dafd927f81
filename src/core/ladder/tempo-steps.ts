export type TempoSchool = 'bpm' | 'percent' | 'three-up-one-back';

export interface TempoPlan {
  readonly start: number;
  readonly target: number;
  readonly school: TempoSchool;
  /** Quarters a minute, or percent of the target. */
  readonly step: number;
  /** How far past the target it goes at the end, in percent; 0 for not at all. */
  readonly over: number;
  /** Never above this while technique settles; null for no cap. */
  readonly cap: number | null;
}

/**
 * Tempos from where everything is right to the target and a little past it: whole numbers, none rising by more than the
 * step. Three up and one back goes back one step after every third. A cap below the target is where it ends. A start at
 * or over the target gives the target alone.
 *
 * @example tempoSteps({ start: 60, target: 80, school: 'bpm', step: 8, over: 0, cap: null }) // → [60, 68, 76, 80]
 */
export function tempoSteps(plan: TempoPlan): number[] {
  const target = Math.round(plan.cap === null ? plan.target : Math.min(plan.target, plan.cap));
  const step = Math.max(1, Math.round(plan.school === 'percent' ? (plan.target * plan.step) / 100 : plan.step));
  const steps: number[] = [];
  let at = Math.min(target, Math.round(plan.start));
  let up = 0;
  while (at < target) {
    steps.push(at);
    if (plan.school === 'three-up-one-back' && up === 3) {
      at -= step;
      steps.push(at);
      up = 0;
    }
    at = Math.min(target, at + step);
    up += 1;
  }
  steps.push(target);
  const past = Math.round(plan.target * (1 + plan.over / 100));
  if (plan.over > 0 && plan.cap === null)
    for (let t = target + Math.min(step, past - target); t <= past && past > target; t += step) steps.push(t);
  return steps;
}
