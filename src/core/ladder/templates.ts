import { clampTempo, type Rung, type Template } from '../studio';

type TemplateRung = Template['rungs'][number];
const rounded = (n: number): number => Math.round(n * 1000) / 1000;

/**
 * Rungs as a template keeps them: tempos become shares of the target, so that they fit another piece.
 *
 * @example toTemplateRungs([rung('slow', 40)], 80)[0].tempo // → 0.5
 */
export const toTemplateRungs = (rungs: readonly Rung[], target: number): TemplateRung[] =>
  rungs.map((r) => ({
    kind: r.kind,
    what: r.what,
    hands: r.hands,
    tempo: r.tempo === null ? null : rounded(r.tempo / target),
    tempoTo: r.tempoTo === null ? null : rounded(r.tempoTo / target),
    times: r.times,
    done: r.done,
    why: r.why,
  }));

/**
 * A template's rungs for a section with this target; they count as the teacher's own.
 *
 * @example fromTemplateRungs([{ kind: 'slow', tempo: 0.5, tempoTo: null }], 80, () => 'new')[0].tempo // → 40
 */
export const fromTemplateRungs = (rungs: readonly TemplateRung[], target: number, newId: () => string): Rung[] =>
  rungs.map((r) => ({
    id: newId(),
    kind: r.kind,
    what: r.what,
    hands: r.hands,
    tempo: r.tempo === null ? null : clampTempo(r.tempo * target),
    tempoTo: r.tempoTo === null ? null : clampTempo(r.tempoTo * target),
    times: r.times,
    done: r.done,
    why: r.why,
    own: true,
  }));
