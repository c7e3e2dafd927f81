import { FREE_BEND } from '../../score';
import { both, inScope, one } from '../rung-facts';
import { tempoSteps } from '../tempo-steps';
import type { RungRule } from './rung-rule';

/** Step between tempos, in beats a minute or percent **[common practice]**. */
export const TEMPO_STEP = 8;
/** How far past the target the last tempo goes, in percent **[common practice]**: a little past. */
export const TEMPO_OVER = 4;

/** Tempo steps, or a span of tempos where time is free. */
export const tempo: RungRule = {
  inWeek: 'rung',
  once: true,
  propose: (f) => {
    if (!inScope(f, 'section', 'whole', 'piece')) return [];
    if (f.content.freeTime !== null) {
      const low = Math.round(f.target * (1 - FREE_BEND));
      const high = Math.round(f.target * (1 + FREE_BEND));
      return [
        one(
          'tempo',
          `Free in time, between ${low} and ${high}`,
          both(f),
          low,
          4,
          'twice, each time on purpose',
          `printed here: ${f.content.freeTime}`,
          {
            tempoTo: high,
          },
        ),
      ];
    }
    // Its sections are at tempo already: the piece begins half way.
    const start = f.scope === 'piece' ? Math.round((f.start + f.target) / 2) : f.start;
    const steps = tempoSteps({
      start,
      target: f.target,
      school: f.teaching.tempoSteps,
      step: TEMPO_STEP,
      over: TEMPO_OVER,
      cap: null,
    });
    const last = steps[steps.length - 1] ?? f.target;
    return [
      one(
        'tempo',
        'Tempo steps',
        both(f),
        start,
        Math.min(100, steps.length * 2),
        'each step twice, all notes right',
        `from ${start}, where everything is right, to ${f.target} and a little past`,
        {
          tempoTo: last,
        },
      ),
    ];
  },
};
